using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Incisura.Data.Migrations
{
    /// <inheritdoc />
    public partial class RecordThreads : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Records_Operation_MaterialId_AssemblyId_MachineId",
                table: "Records");

            migrationBuilder.AddColumn<string>(
                name: "Thread",
                table: "Records",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateIndex(
                name: "IX_Records_Operation_MaterialId_AssemblyId_MachineId_Thread",
                table: "Records",
                columns: new[] { "Operation", "MaterialId", "AssemblyId", "MachineId", "Thread" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Records_Operation_MaterialId_AssemblyId_MachineId_Thread",
                table: "Records");

            migrationBuilder.DropColumn(
                name: "Thread",
                table: "Records");

            migrationBuilder.CreateIndex(
                name: "IX_Records_Operation_MaterialId_AssemblyId_MachineId",
                table: "Records",
                columns: new[] { "Operation", "MaterialId", "AssemblyId", "MachineId" },
                unique: true);
        }
    }
}
