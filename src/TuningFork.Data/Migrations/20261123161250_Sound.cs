using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class Sound : Migration
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
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
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
        }
    }
}
