using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace Incisura.Data;

/// <summary>Lets `dotnet ef` build the model without starting the host.</summary>
internal sealed class DesignTime : IDesignTimeDbContextFactory<IncisuraDb>
{
    public IncisuraDb CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<IncisuraDb>().UseSqlite(IncisuraDb.ConnectionTo("design-time.db")).Options);
}
