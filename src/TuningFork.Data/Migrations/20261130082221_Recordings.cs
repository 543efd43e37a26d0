using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class Recordings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "RecordingMegabytes",
                table: "Profiles",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1000);

            migrationBuilder.CreateTable(
                name: "Recordings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<Guid>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: true),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    EndedUtc = table.Column<DateTime>(type: "TEXT", nullable: true),
                    TargetKey = table.Column<string>(type: "TEXT", nullable: false),
                    Tempo = table.Column<int>(type: "INTEGER", nullable: true),
                    Method = table.Column<string>(type: "TEXT", nullable: false),
                    Clean = table.Column<bool>(type: "INTEGER", nullable: true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    ContentType = table.Column<string>(type: "TEXT", nullable: false),
                    Seconds = table.Column<double>(type: "REAL", nullable: false),
                    Bytes = table.Column<long>(type: "INTEGER", nullable: false),
                    AsImagined = table.Column<bool>(type: "INTEGER", nullable: true),
                    Change = table.Column<string>(type: "TEXT", nullable: false),
                    IsMarked = table.Column<bool>(type: "INTEGER", nullable: false),
                    ComparedDays = table.Column<int>(type: "INTEGER", nullable: false),
                    LoopFrom = table.Column<double>(type: "REAL", nullable: true),
                    LoopTo = table.Column<double>(type: "REAL", nullable: true),
                    Speed = table.Column<int>(type: "INTEGER", nullable: false),
                    CountIn = table.Column<int>(type: "INTEGER", nullable: false),
                    Rounds = table.Column<int>(type: "INTEGER", nullable: false),
                    PlayedSeconds = table.Column<double>(type: "REAL", nullable: false),
                    LastPlayed = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    RemovedUtc = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Recordings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Recordings_Materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "Materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Recordings_Key",
                table: "Recordings",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Recordings_Kind",
                table: "Recordings",
                column: "Kind",
                filter: "\"Kind\" = 'Song'");

            migrationBuilder.CreateIndex(
                name: "IX_Recordings_MaterialId_AtUtc_Bytes",
                table: "Recordings",
                columns: new[] { "MaterialId", "AtUtc", "Bytes" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Recordings");

            migrationBuilder.DropColumn(
                name: "RecordingMegabytes",
                table: "Profiles");
        }
    }
}
