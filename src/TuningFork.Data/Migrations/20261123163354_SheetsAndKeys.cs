using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class SheetsAndKeys : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "KeyPlanJson",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "SheetJson",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "Keys",
                columns: table => new
                {
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    LastDay = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    FirstDay = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Began = table.Column<bool>(type: "INTEGER", nullable: false),
                    Visits = table.Column<int>(type: "INTEGER", nullable: false),
                    LastClean = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Keys", x => new { x.MaterialId, x.Key });
                    table.ForeignKey(
                        name: "FK_Keys_Materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "Materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Keys");

            migrationBuilder.DropColumn(
                name: "KeyPlanJson",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "SheetJson",
                table: "Materials");
        }
    }
}
