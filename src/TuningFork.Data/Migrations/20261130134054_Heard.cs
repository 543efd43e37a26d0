using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class Heard : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Heard",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<Guid>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: true),
                    TargetKey = table.Column<string>(type: "TEXT", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                    Tempo = table.Column<int>(type: "INTEGER", nullable: true),
                    Method = table.Column<string>(type: "TEXT", nullable: false),
                    Clean = table.Column<bool>(type: "INTEGER", nullable: false),
                    Marked = table.Column<bool>(type: "INTEGER", nullable: true),
                    LateMs = table.Column<double>(type: "REAL", nullable: true),
                    LatePlusMinus = table.Column<double>(type: "REAL", nullable: true),
                    SpreadMs = table.Column<double>(type: "REAL", nullable: true),
                    DriftMs = table.Column<double>(type: "REAL", nullable: true),
                    DriftPlusMinus = table.Column<double>(type: "REAL", nullable: true),
                    Notes = table.Column<int>(type: "INTEGER", nullable: false),
                    Faults = table.Column<string>(type: "TEXT", nullable: false),
                    Timing = table.Column<string>(type: "TEXT", nullable: false),
                    Late = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Heard", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Heard_Materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "Materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Heard_Day",
                table: "Heard",
                column: "Day");

            migrationBuilder.CreateIndex(
                name: "IX_Heard_Key",
                table: "Heard",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Heard_MaterialId",
                table: "Heard",
                column: "MaterialId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Heard");
        }
    }
}
