using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class LinesOfALifetime : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Entries_CarriedTo",
                table: "Entries");

            migrationBuilder.DropIndex(
                name: "IX_Entries_MaterialId",
                table: "Entries");

            migrationBuilder.CreateIndex(
                name: "IX_Entries_CarriedTo",
                table: "Entries",
                column: "CarriedTo",
                filter: "\"CarriedTo\" IS NOT NULL");

            migrationBuilder.CreateIndex(
                name: "IX_Entries_Kind",
                table: "Entries",
                column: "Kind",
                filter: "\"Kind\" = 'Shelf'");

            migrationBuilder.CreateIndex(
                name: "IX_Entries_MaterialId",
                table: "Entries",
                column: "MaterialId",
                filter: "\"MaterialId\" IS NOT NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Entries_CarriedTo",
                table: "Entries");

            migrationBuilder.DropIndex(
                name: "IX_Entries_Kind",
                table: "Entries");

            migrationBuilder.DropIndex(
                name: "IX_Entries_MaterialId",
                table: "Entries");

            migrationBuilder.CreateIndex(
                name: "IX_Entries_CarriedTo",
                table: "Entries",
                column: "CarriedTo");

            migrationBuilder.CreateIndex(
                name: "IX_Entries_MaterialId",
                table: "Entries",
                column: "MaterialId");
        }
    }
}
