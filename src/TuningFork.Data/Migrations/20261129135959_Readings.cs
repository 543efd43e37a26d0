using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class Readings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "ReadingFrom",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "InTurn");

            migrationBuilder.CreateTable(
                name: "Readings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<Guid>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                    Fingerprint = table.Column<string>(type: "TEXT", nullable: false),
                    WishJson = table.Column<string>(type: "TEXT", nullable: false),
                    Asked = table.Column<string>(type: "TEXT", nullable: false),
                    Level = table.Column<int>(type: "INTEGER", nullable: false),
                    Bars = table.Column<int>(type: "INTEGER", nullable: false),
                    Right = table.Column<int>(type: "INTEGER", nullable: false),
                    Tempo = table.Column<int>(type: "INTEGER", nullable: false),
                    Kept = table.Column<double>(type: "REAL", nullable: false),
                    RatingJson = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Readings", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Readings_Fingerprint",
                table: "Readings",
                column: "Fingerprint");

            migrationBuilder.CreateIndex(
                name: "IX_Readings_Key",
                table: "Readings",
                column: "Key",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Readings");

            migrationBuilder.DropColumn(
                name: "ReadingFrom",
                table: "Profiles");
        }
    }
}
