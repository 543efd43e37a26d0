using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class StageKeeps : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "LongestClean",
                table: "Visits",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<double>(
                name: "LoopFrom",
                table: "SessionDrills",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "Click",
                table: "Materials",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Place",
                table: "Keys",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Became",
                table: "Entries",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "SettledUtc",
                table: "Entries",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Entries_About",
                table: "Entries",
                column: "About");

            migrationBuilder.CreateIndex(
                name: "IX_Entries_MaterialId",
                table: "Entries",
                column: "MaterialId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Entries_About",
                table: "Entries");

            migrationBuilder.DropIndex(
                name: "IX_Entries_MaterialId",
                table: "Entries");

            migrationBuilder.DropColumn(
                name: "LongestClean",
                table: "Visits");

            migrationBuilder.DropColumn(
                name: "LoopFrom",
                table: "SessionDrills");

            migrationBuilder.DropColumn(
                name: "Click",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "Place",
                table: "Keys");

            migrationBuilder.DropColumn(
                name: "Became",
                table: "Entries");

            migrationBuilder.DropColumn(
                name: "SettledUtc",
                table: "Entries");
        }
    }
}
