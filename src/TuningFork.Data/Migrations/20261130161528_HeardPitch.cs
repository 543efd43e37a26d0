using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class HeardPitch : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "VerdictJson",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Intonation",
                table: "Heard",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "OffCents",
                table: "Heard",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Pitch",
                table: "Heard",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "Simulated",
                table: "Heard",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<double>(
                name: "Uneven",
                table: "Heard",
                type: "REAL",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "VerdictJson",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "Intonation",
                table: "Heard");

            migrationBuilder.DropColumn(
                name: "OffCents",
                table: "Heard");

            migrationBuilder.DropColumn(
                name: "Pitch",
                table: "Heard");

            migrationBuilder.DropColumn(
                name: "Simulated",
                table: "Heard");

            migrationBuilder.DropColumn(
                name: "Uneven",
                table: "Heard");
        }
    }
}
