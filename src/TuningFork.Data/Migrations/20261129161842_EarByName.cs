using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class EarByName : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "EarAnswers",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<Guid>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Item = table.Column<string>(type: "TEXT", nullable: false),
                    Said = table.Column<string>(type: "TEXT", nullable: true),
                    Right = table.Column<bool>(type: "INTEGER", nullable: false),
                    Seconds = table.Column<double>(type: "REAL", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_EarAnswers", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "EarItems",
                columns: table => new
                {
                    Item = table.Column<string>(type: "TEXT", nullable: false),
                    Stability = table.Column<double>(type: "REAL", nullable: false),
                    Difficulty = table.Column<double>(type: "REAL", nullable: false),
                    LastDay = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Due = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Asked = table.Column<int>(type: "INTEGER", nullable: false),
                    Right = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_EarItems", x => x.Item);
                });

            migrationBuilder.CreateIndex(
                name: "IX_EarAnswers_Day_Item_Said",
                table: "EarAnswers",
                columns: new[] { "Day", "Item", "Said" });

            migrationBuilder.CreateIndex(
                name: "IX_EarAnswers_Key",
                table: "EarAnswers",
                column: "Key",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "EarAnswers");

            migrationBuilder.DropTable(
                name: "EarItems");
        }
    }
}
