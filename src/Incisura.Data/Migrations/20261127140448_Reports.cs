using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Incisura.Data.Migrations
{
    /// <inheritdoc />
    public partial class Reports : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "StoppedBy",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "FloorReports",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Key = table.Column<Guid>(type: "TEXT", nullable: false),
                    RecordId = table.Column<int>(type: "INTEGER", nullable: false),
                    RecordNumber = table.Column<string>(type: "TEXT", nullable: false),
                    Revision = table.Column<int>(type: "INTEGER", nullable: false),
                    EditionNumber = table.Column<int>(type: "INTEGER", nullable: false),
                    RanAt = table.Column<long>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    Outcome = table.Column<string>(type: "TEXT", nullable: false),
                    SpeedOverride = table.Column<double>(type: "REAL", nullable: true),
                    FeedOverride = table.Column<double>(type: "REAL", nullable: true),
                    LifeMinutes = table.Column<double>(type: "REAL", nullable: true),
                    LifePieces = table.Column<int>(type: "INTEGER", nullable: true),
                    Load = table.Column<double>(type: "REAL", nullable: true),
                    Pieces = table.Column<int>(type: "INTEGER", nullable: true),
                    Finish = table.Column<string>(type: "TEXT", nullable: false),
                    Chatter = table.Column<bool>(type: "INTEGER", nullable: false),
                    Broke = table.Column<bool>(type: "INTEGER", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: false),
                    SettledAt = table.Column<long>(type: "INTEGER", nullable: true),
                    SettledBy = table.Column<string>(type: "TEXT", nullable: false),
                    Decision = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_FloorReports", x => x.Id);
                    table.ForeignKey(
                        name: "FK_FloorReports_Records_RecordId",
                        column: x => x.RecordId,
                        principalTable: "Records",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_FloorReports_Key",
                table: "FloorReports",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_FloorReports_RecordId_Revision",
                table: "FloorReports",
                columns: new[] { "RecordId", "Revision" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "FloorReports");

            migrationBuilder.DropColumn(
                name: "StoppedBy",
                table: "RecordRevisions");
        }
    }
}
