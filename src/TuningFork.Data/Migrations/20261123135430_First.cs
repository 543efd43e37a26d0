using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class First : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Bodies",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Tension = table.Column<int>(type: "INTEGER", nullable: false),
                    Pain = table.Column<bool>(type: "INTEGER", nullable: false),
                    Where = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Bodies", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Entries",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<Guid>(type: "TEXT", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    SessionId = table.Column<int>(type: "INTEGER", nullable: true),
                    SessionDrillId = table.Column<int>(type: "INTEGER", nullable: true),
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: true),
                    About = table.Column<string>(type: "TEXT", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Entries", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Facts",
                columns: table => new
                {
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Value = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Facts", x => x.Name);
                });

            migrationBuilder.CreateTable(
                name: "Materials",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                    Area = table.Column<string>(type: "TEXT", nullable: false),
                    PieceId = table.Column<int>(type: "INTEGER", nullable: true),
                    FromBar = table.Column<int>(type: "INTEGER", nullable: false),
                    ToBar = table.Column<int>(type: "INTEGER", nullable: false),
                    BeatsPerBar = table.Column<int>(type: "INTEGER", nullable: false),
                    Beat = table.Column<string>(type: "TEXT", nullable: false),
                    Target = table.Column<int>(type: "INTEGER", nullable: true),
                    Readiness = table.Column<string>(type: "TEXT", nullable: false),
                    Difficulty = table.Column<string>(type: "TEXT", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: false),
                    Resting = table.Column<bool>(type: "INTEGER", nullable: false),
                    IsScale = table.Column<bool>(type: "INTEGER", nullable: false),
                    Performance = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    AskedFor = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    NextExample = table.Column<int>(type: "INTEGER", nullable: false),
                    Examples = table.Column<int>(type: "INTEGER", nullable: false),
                    PerDay = table.Column<int>(type: "INTEGER", nullable: false),
                    LastVisit = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    Visits = table.Column<int>(type: "INTEGER", nullable: false),
                    Stability = table.Column<double>(type: "REAL", nullable: true),
                    MemoryDifficulty = table.Column<double>(type: "REAL", nullable: true),
                    Slipped = table.Column<bool>(type: "INTEGER", nullable: false),
                    EasyLastTime = table.Column<bool>(type: "INTEGER", nullable: false),
                    LastClean = table.Column<int>(type: "INTEGER", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Materials", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Materials_Materials_PieceId",
                        column: x => x.PieceId,
                        principalTable: "Materials",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "Plans",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Minutes = table.Column<int>(type: "INTEGER", nullable: false),
                    Demands = table.Column<string>(type: "TEXT", nullable: false),
                    Purpose = table.Column<string>(type: "TEXT", nullable: false),
                    Seed = table.Column<int>(type: "INTEGER", nullable: false),
                    RoutineId = table.Column<int>(type: "INTEGER", nullable: false),
                    PlanJson = table.Column<string>(type: "TEXT", nullable: false),
                    Begun = table.Column<bool>(type: "INTEGER", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Plans", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Profiles",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Instrument = table.Column<string>(type: "TEXT", nullable: false),
                    Family = table.Column<string>(type: "TEXT", nullable: false),
                    Transposition = table.Column<int>(type: "INTEGER", nullable: false),
                    WeekdayMinutes = table.Column<string>(type: "TEXT", nullable: false),
                    BoundaryHour = table.Column<int>(type: "INTEGER", nullable: false),
                    SharesJson = table.Column<string>(type: "TEXT", nullable: false),
                    School = table.Column<string>(type: "TEXT", nullable: false),
                    Mix = table.Column<string>(type: "TEXT", nullable: false),
                    ScaleMinutes = table.Column<int>(type: "INTEGER", nullable: false),
                    EarCentre = table.Column<int>(type: "INTEGER", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Profiles", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Routines",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    BlocksJson = table.Column<string>(type: "TEXT", nullable: false),
                    Interwoven = table.Column<bool>(type: "INTEGER", nullable: false),
                    Weekdays = table.Column<int>(type: "INTEGER", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Routines", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Sessions",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    PlanId = table.Column<int>(type: "INTEGER", nullable: false),
                    PlannedMinutes = table.Column<int>(type: "INTEGER", nullable: false),
                    Purpose = table.Column<string>(type: "TEXT", nullable: false),
                    StartedUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    EndedUtc = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Running = table.Column<bool>(type: "INTEGER", nullable: false),
                    Current = table.Column<int>(type: "INTEGER", nullable: false),
                    PulseUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Sessions", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Ratings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Readiness = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Ratings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Ratings_Materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "Materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Visits",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Tries = table.Column<string>(type: "TEXT", nullable: false),
                    Takes = table.Column<int>(type: "INTEGER", nullable: false),
                    CleanTakes = table.Column<int>(type: "INTEGER", nullable: false),
                    TriesToClean = table.Column<int>(type: "INTEGER", nullable: true),
                    Clean = table.Column<int>(type: "INTEGER", nullable: true),
                    Grade = table.Column<string>(type: "TEXT", nullable: true),
                    VisitBefore = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    StabilityBefore = table.Column<double>(type: "REAL", nullable: true),
                    DifficultyBefore = table.Column<double>(type: "REAL", nullable: true),
                    CleanBefore = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Visits", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Visits_Materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "Materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "SessionDrills",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SessionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Position = table.Column<int>(type: "INTEGER", nullable: false),
                    Area = table.Column<string>(type: "TEXT", nullable: true),
                    DrillJson = table.Column<string>(type: "TEXT", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                    PlannedSeconds = table.Column<int>(type: "INTEGER", nullable: false),
                    ExtraSeconds = table.Column<int>(type: "INTEGER", nullable: false),
                    PlayedSeconds = table.Column<double>(type: "REAL", nullable: false),
                    State = table.Column<string>(type: "TEXT", nullable: false),
                    Nudge = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_SessionDrills", x => x.Id);
                    table.ForeignKey(
                        name: "FK_SessionDrills_Sessions_SessionId",
                        column: x => x.SessionId,
                        principalTable: "Sessions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Takes",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    SessionDrillId = table.Column<int>(type: "INTEGER", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    TargetIndex = table.Column<int>(type: "INTEGER", nullable: false),
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: true),
                    Clean = table.Column<bool>(type: "INTEGER", nullable: false),
                    Tempo = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Takes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Takes_SessionDrills_SessionDrillId",
                        column: x => x.SessionDrillId,
                        principalTable: "SessionDrills",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Entries_Day",
                table: "Entries",
                column: "Day");

            migrationBuilder.CreateIndex(
                name: "IX_Entries_Key",
                table: "Entries",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Materials_PieceId",
                table: "Materials",
                column: "PieceId");

            migrationBuilder.CreateIndex(
                name: "IX_Plans_Day",
                table: "Plans",
                column: "Day");

            migrationBuilder.CreateIndex(
                name: "IX_Ratings_MaterialId_Day",
                table: "Ratings",
                columns: new[] { "MaterialId", "Day" });

            migrationBuilder.CreateIndex(
                name: "IX_SessionDrills_Area_Day_PlayedSeconds",
                table: "SessionDrills",
                columns: new[] { "Area", "Day", "PlayedSeconds" });

            migrationBuilder.CreateIndex(
                name: "IX_SessionDrills_Day_Area_PlayedSeconds",
                table: "SessionDrills",
                columns: new[] { "Day", "Area", "PlayedSeconds" });

            migrationBuilder.CreateIndex(
                name: "IX_SessionDrills_SessionId",
                table: "SessionDrills",
                column: "SessionId");

            migrationBuilder.CreateIndex(
                name: "IX_Sessions_Day",
                table: "Sessions",
                column: "Day");

            migrationBuilder.CreateIndex(
                name: "IX_Sessions_EndedUtc",
                table: "Sessions",
                column: "EndedUtc");

            migrationBuilder.CreateIndex(
                name: "IX_Takes_Day_Key_Clean",
                table: "Takes",
                columns: new[] { "Day", "Key", "Clean" });

            migrationBuilder.CreateIndex(
                name: "IX_Takes_SessionDrillId",
                table: "Takes",
                column: "SessionDrillId");

            migrationBuilder.CreateIndex(
                name: "IX_Visits_MaterialId_Day",
                table: "Visits",
                columns: new[] { "MaterialId", "Day" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Bodies");

            migrationBuilder.DropTable(
                name: "Entries");

            migrationBuilder.DropTable(
                name: "Facts");

            migrationBuilder.DropTable(
                name: "Plans");

            migrationBuilder.DropTable(
                name: "Profiles");

            migrationBuilder.DropTable(
                name: "Ratings");

            migrationBuilder.DropTable(
                name: "Routines");

            migrationBuilder.DropTable(
                name: "Takes");

            migrationBuilder.DropTable(
                name: "Visits");

            migrationBuilder.DropTable(
                name: "SessionDrills");

            migrationBuilder.DropTable(
                name: "Materials");

            migrationBuilder.DropTable(
                name: "Sessions");
        }
    }
}
