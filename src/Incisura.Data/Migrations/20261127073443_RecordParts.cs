using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Incisura.Data.Migrations
{
    /// <inheritdoc />
    public partial class RecordParts : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "CutterId",
                table: "Records",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<long>(
                name: "ChangedAt",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<byte[]>(
                name: "Derivation",
                table: "RecordRevisions",
                type: "BLOB",
                nullable: false,
                defaultValue: new byte[0]);

            migrationBuilder.AddColumn<string>(
                name: "Footings",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "IsInForce",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<bool>(
                name: "IsNewest",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "JudgedFor",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "KeptFor",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "Moved",
                table: "RecordRevisions",
                type: "REAL",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.AddColumn<string>(
                name: "ResultSentBack",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Search",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "SentBack",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Standing",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Stands",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "Firm");

            migrationBuilder.AddColumn<int>(
                name: "ThreadId",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Words",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "WorstLimit",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "WorstUse",
                table: "RecordRevisions",
                type: "REAL",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.CreateTable(
                name: "Parts",
                columns: table => new
                {
                    Hash = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Json = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Parts", x => x.Hash);
                });

            migrationBuilder.CreateIndex(
                name: "IX_RecordRevisions_IsNewest_IsInForce_State_Stands_ChangedAt_Moved_WorstUse_WorstLimit_RecordId_ProposedBy_SentBack_Search_Note",
                table: "RecordRevisions",
                columns: new[] { "IsNewest", "IsInForce", "State", "Stands", "ChangedAt", "Moved", "WorstUse", "WorstLimit", "RecordId", "ProposedBy", "SentBack", "Search", "Note" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Parts");

            migrationBuilder.DropIndex(
                name: "IX_RecordRevisions_IsNewest_IsInForce_State_Stands_ChangedAt_Moved_WorstUse_WorstLimit_RecordId_ProposedBy_SentBack_Search_Note",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "CutterId",
                table: "Records");

            migrationBuilder.DropColumn(
                name: "ChangedAt",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Derivation",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Footings",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "IsInForce",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "IsNewest",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "JudgedFor",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "KeptFor",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Moved",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "ResultSentBack",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Search",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "SentBack",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Standing",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Stands",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "ThreadId",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Words",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "WorstLimit",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "WorstUse",
                table: "RecordRevisions");
        }
    }
}
