using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Incisura.Data.Migrations
{
    /// <inheritdoc />
    public partial class Files : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "EditionFiles",
                columns: table => new
                {
                    EditionNumber = table.Column<int>(type: "INTEGER", nullable: false),
                    Head = table.Column<byte[]>(type: "BLOB", nullable: false),
                    Tail = table.Column<byte[]>(type: "BLOB", nullable: false),
                    Sha256 = table.Column<string>(type: "TEXT", nullable: false),
                    Size = table.Column<long>(type: "INTEGER", nullable: false),
                    Count = table.Column<int>(type: "INTEGER", nullable: false),
                    KeyId = table.Column<string>(type: "TEXT", nullable: false),
                    Signature = table.Column<byte[]>(type: "BLOB", nullable: false),
                    AsksReading = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_EditionFiles", x => x.EditionNumber);
                    table.ForeignKey(
                        name: "FK_EditionFiles_Editions_EditionNumber",
                        column: x => x.EditionNumber,
                        principalTable: "Editions",
                        principalColumn: "Number",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "EditionKeys",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Pem = table.Column<string>(type: "TEXT", nullable: false),
                    Since = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_EditionKeys", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "EditionLeaves",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Hash = table.Column<string>(type: "TEXT", nullable: false),
                    Json = table.Column<byte[]>(type: "BLOB", nullable: false),
                    RevisionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Places = table.Column<string>(type: "TEXT", nullable: false),
                    Assembly = table.Column<string>(type: "TEXT", nullable: false),
                    Words = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_EditionLeaves", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Readings",
                columns: table => new
                {
                    EditionNumber = table.Column<int>(type: "INTEGER", nullable: false),
                    Person = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Readings", x => new { x.EditionNumber, x.Person });
                    table.ForeignKey(
                        name: "FK_Readings_Editions_EditionNumber",
                        column: x => x.EditionNumber,
                        principalTable: "Editions",
                        principalColumn: "Number",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "EditionLines",
                columns: table => new
                {
                    EditionNumber = table.Column<int>(type: "INTEGER", nullable: false),
                    RecordNumber = table.Column<string>(type: "TEXT", nullable: false),
                    Revision = table.Column<int>(type: "INTEGER", nullable: false),
                    LeafId = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_EditionLines", x => new { x.EditionNumber, x.RecordNumber });
                    table.ForeignKey(
                        name: "FK_EditionLines_EditionLeaves_LeafId",
                        column: x => x.LeafId,
                        principalTable: "EditionLeaves",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_EditionLines_Editions_EditionNumber",
                        column: x => x.EditionNumber,
                        principalTable: "Editions",
                        principalColumn: "Number",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_EditionLeaves_Assembly",
                table: "EditionLeaves",
                column: "Assembly");

            migrationBuilder.CreateIndex(
                name: "IX_EditionLeaves_Hash",
                table: "EditionLeaves",
                column: "Hash",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_EditionLeaves_RevisionId",
                table: "EditionLeaves",
                column: "RevisionId");

            migrationBuilder.CreateIndex(
                name: "IX_EditionLines_LeafId",
                table: "EditionLines",
                column: "LeafId");

            // What was published stays as it was published, whoever writes to the file.
            foreach (string table in new[] { "EditionFiles", "EditionLines", "EditionLeaves", "EditionKeys", "Readings" })
                foreach (string act in new[] { "UPDATE", "DELETE" })
                    migrationBuilder.Sql($"CREATE TRIGGER {table}_no_{act.ToLowerInvariant()} BEFORE {act} ON {table} BEGIN SELECT RAISE(ABORT, '{table} cannot be changed'); END;");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "EditionFiles");

            migrationBuilder.DropTable(
                name: "EditionKeys");

            migrationBuilder.DropTable(
                name: "EditionLines");

            migrationBuilder.DropTable(
                name: "Readings");

            migrationBuilder.DropTable(
                name: "EditionLeaves");
        }
    }
}
