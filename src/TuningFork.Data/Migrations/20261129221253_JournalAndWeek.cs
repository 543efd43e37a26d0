using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class JournalAndWeek : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "CalendarKey",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "LessonWeekday",
                table: "Profiles",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Phrases",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "Reminds",
                table: "Profiles",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<int>(
                name: "SpareADay",
                table: "Profiles",
                type: "INTEGER",
                nullable: false,
                defaultValue: 3);

            migrationBuilder.AddColumn<string>(
                name: "SpareFrom",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "09:00");

            migrationBuilder.AddColumn<string>(
                name: "SpareUntil",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "21:00");

            migrationBuilder.AddColumn<string>(
                name: "WeekdaySittings",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "WishedHours",
                table: "Profiles",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<DateOnly>(
                name: "CarriedTo",
                table: "Entries",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Cause",
                table: "Entries",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "NextTime",
                table: "Entries",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Remedy",
                table: "Entries",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Tags",
                table: "Entries",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "Busy",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    FromUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    UntilUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Busy", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "DaysMoved",
                columns: table => new
                {
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Minutes = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_DaysMoved", x => x.Day);
                });

            migrationBuilder.CreateTable(
                name: "DaysOff",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    From = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Until = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Minutes = table.Column<int>(type: "INTEGER", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false),
                    RemovedUtc = table.Column<DateTime>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_DaysOff", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "EntriesBefore",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    EntryId = table.Column<int>(type: "INTEGER", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false),
                    Cause = table.Column<string>(type: "TEXT", nullable: false),
                    Remedy = table.Column<string>(type: "TEXT", nullable: false),
                    NextTime = table.Column<string>(type: "TEXT", nullable: false),
                    Tags = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_EntriesBefore", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Spares",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<Guid>(type: "TEXT", nullable: false),
                    Day = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    AtUtc = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Thing = table.Column<string>(type: "TEXT", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: true),
                    Right = table.Column<bool>(type: "INTEGER", nullable: true),
                    Seconds = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Spares", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Entries_CarriedTo",
                table: "Entries",
                column: "CarriedTo");

            migrationBuilder.CreateIndex(
                name: "IX_EntriesBefore_EntryId",
                table: "EntriesBefore",
                column: "EntryId");

            migrationBuilder.CreateIndex(
                name: "IX_Spares_Day",
                table: "Spares",
                column: "Day");

            migrationBuilder.CreateIndex(
                name: "IX_Spares_Key",
                table: "Spares",
                column: "Key",
                unique: true);

            // The words of the journal, found by their beginnings. Whoever lets the table Entries be rebuilt makes the triggers anew.
            migrationBuilder.Sql(
                """
                CREATE VIRTUAL TABLE EntryWords USING fts5(
                    Text, About, Cause, Remedy, NextTime, Tags,
                    content='Entries', content_rowid='Id', tokenize='unicode61 remove_diacritics 2', prefix='2 3'
                );
                """
            );
            migrationBuilder.Sql("INSERT INTO EntryWords(EntryWords) VALUES('rebuild');");
            migrationBuilder.Sql(
                """
                CREATE TRIGGER EntryWordsAdded AFTER INSERT ON Entries BEGIN
                    INSERT INTO EntryWords(rowid, Text, About, Cause, Remedy, NextTime, Tags)
                    VALUES (new.Id, new.Text, new.About, new.Cause, new.Remedy, new.NextTime, new.Tags);
                END;
                """
            );
            migrationBuilder.Sql(
                """
                CREATE TRIGGER EntryWordsGone AFTER DELETE ON Entries BEGIN
                    INSERT INTO EntryWords(EntryWords, rowid, Text, About, Cause, Remedy, NextTime, Tags)
                    VALUES ('delete', old.Id, old.Text, old.About, old.Cause, old.Remedy, old.NextTime, old.Tags);
                END;
                """
            );
            migrationBuilder.Sql(
                """
                CREATE TRIGGER EntryWordsChanged AFTER UPDATE OF Text, About, Cause, Remedy, NextTime, Tags ON Entries BEGIN
                    INSERT INTO EntryWords(EntryWords, rowid, Text, About, Cause, Remedy, NextTime, Tags)
                    VALUES ('delete', old.Id, old.Text, old.About, old.Cause, old.Remedy, old.NextTime, old.Tags);
                    INSERT INTO EntryWords(rowid, Text, About, Cause, Remedy, NextTime, Tags)
                    VALUES (new.Id, new.Text, new.About, new.Cause, new.Remedy, new.NextTime, new.Tags);
                END;
                """
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("DROP TRIGGER EntryWordsAdded; DROP TRIGGER EntryWordsGone; DROP TRIGGER EntryWordsChanged;");
            migrationBuilder.Sql("DROP TABLE EntryWords;");

            migrationBuilder.DropTable(
                name: "Busy");

            migrationBuilder.DropTable(
                name: "DaysMoved");

            migrationBuilder.DropTable(
                name: "DaysOff");

            migrationBuilder.DropTable(
                name: "EntriesBefore");

            migrationBuilder.DropTable(
                name: "Spares");

            migrationBuilder.DropIndex(
                name: "IX_Entries_CarriedTo",
                table: "Entries");

            migrationBuilder.DropColumn(
                name: "CalendarKey",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "LessonWeekday",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "Phrases",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "Reminds",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "SpareADay",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "SpareFrom",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "SpareUntil",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "WeekdaySittings",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "WishedHours",
                table: "Profiles");

            migrationBuilder.DropColumn(
                name: "CarriedTo",
                table: "Entries");

            migrationBuilder.DropColumn(
                name: "Cause",
                table: "Entries");

            migrationBuilder.DropColumn(
                name: "NextTime",
                table: "Entries");

            migrationBuilder.DropColumn(
                name: "Remedy",
                table: "Entries");

            migrationBuilder.DropColumn(
                name: "Tags",
                table: "Entries");
        }
    }
}
