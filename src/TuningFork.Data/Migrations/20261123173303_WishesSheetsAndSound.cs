using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class WishesSheetsAndSound : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "A4",
                table: "Profiles",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Highest",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Lowest",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Naming",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "SoundJson",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

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

            migrationBuilder.AddColumn<bool>(
                name: "Stuck",
                table: "Materials",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.CreateTable(
                name: "Asks",
                columns: table => new
                {
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Asks", x => x.Key);
                });

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
                name: "Asks");

            migrationBuilder.DropTable(
                name: "Keys");

            migrationBuilder.DropColumn(
                name: "A4",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "Highest",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "Lowest",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "Naming",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "SoundJson",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "KeyPlanJson",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "SheetJson",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "Stuck",
                table: "Materials");
        }
    }
}
