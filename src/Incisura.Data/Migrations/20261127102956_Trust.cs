using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Incisura.Data.Migrations
{
    /// <inheritdoc />
    public partial class Trust : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_RecordRevisions_IsNewest_IsInForce_State_Stands_ChangedAt_Moved_WorstUse_WorstLimit_RecordId_ProposedBy_SentBack_Search_Note",
                table: "RecordRevisions");

            migrationBuilder.AddColumn<int>(
                name: "CutterId",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<DateOnly>(
                name: "EndsOn",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "IsCounted",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<int>(
                name: "MachineId",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "MaterialId",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Operation",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Terms",
                table: "RecordRevisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Made",
                table: "RecordRevisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "InPlaceOf",
                table: "RecordEvents",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Terms",
                table: "EditionEntries",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "Absences",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Approver = table.Column<string>(type: "TEXT", nullable: false),
                    Deputy = table.Column<string>(type: "TEXT", nullable: false),
                    From = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Until = table.Column<DateOnly>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Absences", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Changes",
                columns: table => new
                {
                    Id = table.Column<long>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    InPlaceOf = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    ObjectId = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    Act = table.Column<string>(type: "TEXT", nullable: false),
                    Reason = table.Column<string>(type: "TEXT", nullable: false),
                    Changes = table.Column<string>(type: "TEXT", nullable: false),
                    Content = table.Column<string>(type: "TEXT", nullable: false),
                    Hash = table.Column<string>(type: "TEXT", nullable: false),
                    Search = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Changes", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Comments",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    RecordId = table.Column<int>(type: "INTEGER", nullable: false),
                    RecordNumber = table.Column<string>(type: "TEXT", nullable: false),
                    Revision = table.Column<int>(type: "INTEGER", nullable: false),
                    Figure = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Comments", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Comments_Records_RecordId",
                        column: x => x.RecordId,
                        principalTable: "Records",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Letters",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    To = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Says = table.Column<string>(type: "TEXT", nullable: false),
                    Path = table.Column<string>(type: "TEXT", nullable: false),
                    SentAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Failures = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Letters", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Misses",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    CutterId = table.Column<int>(type: "INTEGER", nullable: false),
                    MaterialId = table.Column<int>(type: "INTEGER", nullable: false),
                    MachineId = table.Column<int>(type: "INTEGER", nullable: false),
                    Operation = table.Column<string>(type: "TEXT", nullable: false),
                    Times = table.Column<int>(type: "INTEGER", nullable: false),
                    LastAt = table.Column<long>(type: "INTEGER", nullable: false),
                    LastBy = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Misses", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_RecordRevisions_Lists",
                table: "RecordRevisions",
                columns: new[] { "IsNewest", "IsInForce", "IsCounted", "State", "Stands", "EndsOn", "Operation", "MaterialId", "MachineId", "CutterId", "ChangedAt", "Moved", "WorstUse", "WorstLimit", "RecordId", "ProposedBy", "SentBack" });

            migrationBuilder.CreateIndex(
                name: "IX_RecordRevisions_Words",
                table: "RecordRevisions",
                columns: new[] { "IsNewest", "IsInForce", "State", "Stands", "ChangedAt", "Moved", "WorstUse", "WorstLimit", "RecordId", "ProposedBy", "SentBack", "EndsOn", "Operation", "MaterialId", "MachineId", "CutterId", "Search", "Note" });

            migrationBuilder.CreateIndex(
                name: "IX_Changes_Kind_ObjectId",
                table: "Changes",
                columns: new[] { "Kind", "ObjectId" });

            migrationBuilder.CreateIndex(
                name: "IX_Comments_RecordId",
                table: "Comments",
                column: "RecordId");

            migrationBuilder.CreateIndex(
                name: "IX_Letters_SentAt",
                table: "Letters",
                column: "SentAt");

            migrationBuilder.CreateIndex(
                name: "IX_Misses_CutterId_MaterialId_MachineId_Operation",
                table: "Misses",
                columns: new[] { "CutterId", "MaterialId", "MachineId", "Operation" },
                unique: true);

            // What was written into the history stays as it was, whoever opens the file.
            foreach (string act in new[] { "UPDATE", "DELETE" })
                migrationBuilder.Sql(
                    $"""CREATE TRIGGER "Changes_{act}" BEFORE {act} ON "Changes" BEGIN SELECT RAISE(ABORT, 'The history cannot be changed.'); END""");

            // What is drawn out of the record, and by which revision it counts.
            migrationBuilder.Sql(
                """
                UPDATE "RecordRevisions" SET
                    "Operation" = (SELECT r."Operation" FROM "Records" r WHERE r."Id" = "RecordId"),
                    "MaterialId" = (SELECT r."MaterialId" FROM "Records" r WHERE r."Id" = "RecordId"),
                    "MachineId" = (SELECT r."MachineId" FROM "Records" r WHERE r."Id" = "RecordId"),
                    "CutterId" = (SELECT r."CutterId" FROM "Records" r WHERE r."Id" = "RecordId"),
                    "IsCounted" = "IsInForce" OR ("IsNewest" AND NOT EXISTS (
                        SELECT 1 FROM "RecordRevisions" o WHERE o."RecordId" = "RecordRevisions"."RecordId" AND o."IsInForce"))
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Absences");

            migrationBuilder.DropTable(
                name: "Changes");

            migrationBuilder.DropTable(
                name: "Comments");

            migrationBuilder.DropTable(
                name: "Letters");

            migrationBuilder.DropTable(
                name: "Misses");

            migrationBuilder.DropIndex(
                name: "IX_RecordRevisions_Lists",
                table: "RecordRevisions");

            migrationBuilder.DropIndex(
                name: "IX_RecordRevisions_Words",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "CutterId",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "EndsOn",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "IsCounted",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "MachineId",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "MaterialId",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Operation",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Terms",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "Made",
                table: "RecordRevisions");

            migrationBuilder.DropColumn(
                name: "InPlaceOf",
                table: "RecordEvents");

            migrationBuilder.DropColumn(
                name: "Terms",
                table: "EditionEntries");

            migrationBuilder.CreateIndex(
                name: "IX_RecordRevisions_IsNewest_IsInForce_State_Stands_ChangedAt_Moved_WorstUse_WorstLimit_RecordId_ProposedBy_SentBack_Search_Note",
                table: "RecordRevisions",
                columns: new[] { "IsNewest", "IsInForce", "State", "Stands", "ChangedAt", "Moved", "WorstUse", "WorstLimit", "RecordId", "ProposedBy", "SentBack", "Search", "Note" });
        }
    }
}
