using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class Copies : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "EarLeftOut",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "ReadHighest",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "ReadLowest",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "BookParts",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "ReadAhead",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "TodaysKey",
                table: "Materials",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.CreateTable(
                name: "Copies",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<Guid>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Level = table.Column<int>(type: "INTEGER", nullable: false),
                    Hearings = table.Column<int>(type: "INTEGER", nullable: false),
                    Right = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Copies", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Copies_Key",
                table: "Copies",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Copies_Kind_Day",
                table: "Copies",
                columns: new[] { "Kind", "Day" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Copies");

            migrationBuilder.DropColumn(
                name: "EarLeftOut",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "ReadHighest",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "ReadLowest",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "BookParts",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "ReadAhead",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "TodaysKey",
                table: "Materials");
        }
    }
}
