using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class ReliefAndRuns : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "LateItems",
                table: "Takes",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Off",
                table: "Takes",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Relief",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "None");

            migrationBuilder.AddColumn<DateOnly>(
                name: "ReliefFrom",
                table: "Materials",
                type: "TEXT",
                nullable: true);

            // A shuttle kept the size of its set; now it keeps the set: the first of that size, where there are twelve things.
            migrationBuilder.Sql(
                """
                UPDATE Materials
                SET Place = CASE WHEN json_array_length(WorkJson, '$.items') = 12
                    THEN CASE Place WHEN 1 THEN 6 WHEN 2 THEN 10 WHEN 3 THEN 13 WHEN 4 THEN 15 ELSE 0 END
                    ELSE 0 END
                WHERE WorkJson <> '' AND json_extract(WorkJson, '$.kind') = 'Shuttle';
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "LateItems",
                table: "Takes");

            migrationBuilder.DropColumn(
                name: "Off",
                table: "Takes");

            migrationBuilder.DropColumn(
                name: "Relief",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "ReliefFrom",
                table: "Materials");
        }
    }
}
