using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class Ability : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "BestBefore",
                table: "Visits",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachLog",
                table: "Visits",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachLogBefore",
                table: "Visits",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachSpread",
                table: "Visits",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachSpreadBefore",
                table: "Visits",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "VisitsBefore",
                table: "Visits",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "TraitsJson",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Best",
                table: "Materials",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "Confirmed",
                table: "Materials",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateOnly>(
                name: "RatingAsked",
                table: "Materials",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachLog",
                table: "Materials",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachSpread",
                table: "Materials",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachLog",
                table: "Keys",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachLogBefore",
                table: "Keys",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachSpread",
                table: "Keys",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ReachSpreadBefore",
                table: "Keys",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Tries",
                table: "Keys",
                type: "TEXT",
                nullable: false,
                defaultValue: "");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "BestBefore",
                table: "Visits");

            migrationBuilder.DropColumn(
                name: "ReachLog",
                table: "Visits");

            migrationBuilder.DropColumn(
                name: "ReachLogBefore",
                table: "Visits");

            migrationBuilder.DropColumn(
                name: "ReachSpread",
                table: "Visits");

            migrationBuilder.DropColumn(
                name: "ReachSpreadBefore",
                table: "Visits");

            migrationBuilder.DropColumn(
                name: "VisitsBefore",
                table: "Visits");

            migrationBuilder.DropColumn(
                name: "TraitsJson",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "Best",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "Confirmed",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "RatingAsked",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "ReachLog",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "ReachSpread",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "ReachLog",
                table: "Keys");

            migrationBuilder.DropColumn(
                name: "ReachLogBefore",
                table: "Keys");

            migrationBuilder.DropColumn(
                name: "ReachSpread",
                table: "Keys");

            migrationBuilder.DropColumn(
                name: "ReachSpreadBefore",
                table: "Keys");

            migrationBuilder.DropColumn(
                name: "Tries",
                table: "Keys");
        }
    }
}
