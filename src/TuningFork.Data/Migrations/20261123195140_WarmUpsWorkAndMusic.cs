using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class WarmUpsWorkAndMusic : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "Late",
                table: "Takes",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Seconds",
                table: "Takes",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CreditedTo",
                table: "SessionDrills",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Awareness",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "WarmUpSchool",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Focus",
                table: "Plans",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Missing",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Place",
                table: "Materials",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Proposed",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "PutBack",
                table: "Materials",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Remedy",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<DateOnly>(
                name: "ReviewOn",
                table: "Materials",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "School",
                table: "Materials",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Serves",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "WorkJson",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "Music",
                columns: table => new
                {
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: false),
                    Abc = table.Column<string>(type: "TEXT", nullable: false),
                    LeftOut = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Music", x => x.MaterialId);
                    table.ForeignKey(
                        name: "FK_Music_Materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "Materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "WarmUps",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    PartsJson = table.Column<string>(type: "TEXT", nullable: false),
                    LastDay = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_WarmUps", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_SessionDrills_CreditedTo_Day_PlayedSeconds",
                table: "SessionDrills",
                columns: new[] { "CreditedTo", "Day", "PlayedSeconds" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Music");

            migrationBuilder.DropTable(
                name: "WarmUps");

            migrationBuilder.DropIndex(
                name: "IX_SessionDrills_CreditedTo_Day_PlayedSeconds",
                table: "SessionDrills");

            migrationBuilder.DropColumn(
                name: "Late",
                table: "Takes");

            migrationBuilder.DropColumn(
                name: "Seconds",
                table: "Takes");

            migrationBuilder.DropColumn(
                name: "CreditedTo",
                table: "SessionDrills");

            migrationBuilder.DropColumn(
                name: "Awareness",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "WarmUpSchool",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "Focus",
                table: "Plans");

            migrationBuilder.DropColumn(
                name: "Missing",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "Place",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "Proposed",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "PutBack",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "Remedy",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "ReviewOn",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "School",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "Serves",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "WorkJson",
                table: "Materials");
        }
    }
}
