using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace TuningFork.Data.Migrations
{
    /// <inheritdoc />
    public partial class WhatWasSaid : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "Rated",
                table: "Sessions",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<DateTime>(
                name: "TickedUtc",
                table: "Routines",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Rated",
                table: "Sessions");

            migrationBuilder.DropColumn(
                name: "TickedUtc",
                table: "Routines");
        }
    }
}
