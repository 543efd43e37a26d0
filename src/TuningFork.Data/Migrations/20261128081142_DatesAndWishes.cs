using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class DatesAndWishes : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.RenameColumn(
                name: "EasyLastTime",
                table: "Materials",
                newName: "WeekTimes");

            // The column is used anew: what stood in it means nothing any more.
            migrationBuilder.Sql("UPDATE \"Materials\" SET \"WeekTimes\" = 0");

            // Plucked strings and the voice are families of their own now; a warm-up that nobody has touched is made anew.
            migrationBuilder.Sql("UPDATE \"Profiles\" SET \"Family\" = 'plucked' WHERE \"Family\" = 'strings' AND lower(\"Instrument\") IN ('guitar', 'classical guitar', 'bass guitar', 'mandolin', 'ukulele', 'harp')");
            migrationBuilder.Sql("UPDATE \"Profiles\" SET \"Family\" = 'voice' WHERE \"Family\" = 'other' AND lower(\"Instrument\") = 'voice'");
            migrationBuilder.Sql("DELETE FROM \"WarmUps\" WHERE EXISTS (SELECT 1 FROM \"Profiles\" WHERE \"Family\" IN ('plucked', 'voice')) AND NOT EXISTS (SELECT 1 FROM \"WarmUps\" WHERE \"Version\" <> 0)");

            migrationBuilder.AddColumn<int>(
                name: "OpeningMinutes",
                table: "Profiles",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<int>(
                name: "UnderWay",
                table: "Profiles",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "Sitting",
                table: "Plans",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "LaterDates",
                table: "Materials",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "TwiceADay",
                table: "Materials",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<int>(
                name: "WeekMinutes",
                table: "Materials",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Keys",
                table: "Bodies",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateIndex(
                name: "IX_Visits_Day",
                table: "Visits",
                column: "Day");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Visits_Day",
                table: "Visits");

            migrationBuilder.DropColumn(
                name: "OpeningMinutes",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "UnderWay",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "Sitting",
                table: "Plans");

            migrationBuilder.DropColumn(
                name: "LaterDates",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "TwiceADay",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "WeekMinutes",
                table: "Materials");

            migrationBuilder.DropColumn(
                name: "Keys",
                table: "Bodies");

            migrationBuilder.RenameColumn(
                name: "WeekTimes",
                table: "Materials",
                newName: "EasyLastTime");
        }
    }
}
