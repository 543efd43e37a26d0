using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class SafetyAndRemovals : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "WarmUps",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "ClosedBy",
                table: "Sessions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "Routines",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "BeforeJson",
                table: "Plans",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "Pages",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "Music",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "Methods",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "Materials",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "Goals",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "RemovedUtc",
                table: "Entries",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Take",
                table: "Entries",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Acts",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    SessionId = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Acts", x => x.Id);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Acts");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "WarmUps");

            migrationBuilder.DropColumn(
                name: "ClosedBy",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "Routines");

            migrationBuilder.DropColumn(
                name: "BeforeJson",
                table: "Plans");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "Pages");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "Music");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "Methods");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "Goals");

            migrationBuilder.DropColumn(
                name: "RemovedUtc",
                table: "Entries");

            migrationBuilder.DropColumn(
                name: "Take",
                table: "Entries");
        }
    }
}
