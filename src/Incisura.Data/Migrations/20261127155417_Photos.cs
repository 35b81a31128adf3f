using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Incisura.Data.Migrations
{
    /// <inheritdoc />
    public partial class Photos : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_RecordRevisions_Lists",
                table: "RecordRevisions");

            migrationBuilder.DropIndex(
                name: "IX_RecordRevisions_Words",
                table: "RecordRevisions");

            migrationBuilder.AddColumn<bool>(
                name: "HasPhoto",
                table: "FloorReports",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.CreateTable(
                name: "ReportPhotos",
                columns: table => new
                {
                    ReportId = table.Column<int>(type: "INTEGER", nullable: false),
                    Jpeg = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ReportPhotos", x => x.ReportId);
                    table.ForeignKey(
                        name: "FK_ReportPhotos_FloorReports_ReportId",
                        column: x => x.ReportId,
                        principalTable: "FloorReports",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_RecordRevisions_Lists",
                table: "RecordRevisions",
                columns: new[] { "IsNewest", "IsInForce", "IsCounted", "State", "Stands", "EndsOn", "Operation", "MaterialId", "MachineId", "CutterId", "ChangedAt", "Moved", "WorstUse", "WorstLimit", "RecordId", "ProposedBy", "SentBack", "StoppedBy" });

            migrationBuilder.CreateIndex(
                name: "IX_RecordRevisions_Words",
                table: "RecordRevisions",
                columns: new[] { "IsNewest", "IsInForce", "State", "Stands", "ChangedAt", "Moved", "WorstUse", "WorstLimit", "RecordId", "ProposedBy", "SentBack", "StoppedBy", "EndsOn", "Operation", "MaterialId", "MachineId", "CutterId", "Search", "Note" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "ReportPhotos");

            migrationBuilder.DropIndex(
                name: "IX_RecordRevisions_Lists",
                table: "RecordRevisions");

            migrationBuilder.DropIndex(
                name: "IX_RecordRevisions_Words",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "HasPhoto",
                table: "FloorReports");

            migrationBuilder.CreateIndex(
                name: "IX_RecordRevisions_Lists",
                table: "RecordRevisions",
                columns: new[] { "IsNewest", "IsInForce", "IsCounted", "State", "Stands", "EndsOn", "Operation", "MaterialId", "MachineId", "CutterId", "ChangedAt", "Moved", "WorstUse", "WorstLimit", "RecordId", "ProposedBy", "SentBack" });

            migrationBuilder.CreateIndex(
                name: "IX_RecordRevisions_Words",
                table: "RecordRevisions",
                columns: new[] { "IsNewest", "IsInForce", "State", "Stands", "ChangedAt", "Moved", "WorstUse", "WorstLimit", "RecordId", "ProposedBy", "SentBack", "EndsOn", "Operation", "MaterialId", "MachineId", "CutterId", "Search", "Note" });
        }
    }
}
