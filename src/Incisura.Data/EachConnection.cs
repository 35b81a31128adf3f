using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Incisura.Data;

/// <summary>
/// What holds on every connection: what was acknowledged is on the disk, also when the power fails right after; and whoever waits for another
/// to have written is let in within milliseconds, instead of asking again every now and then.
/// What is deleted is overwritten where its page is written anyway.
/// </summary>
public sealed class EachConnection : DbConnectionInterceptor
{
    private const string Rules = "PRAGMA synchronous = FULL; PRAGMA busy_timeout = 10000; PRAGMA secure_delete = FAST;";

    public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
    {
        using DbCommand command = connection.CreateCommand();
        command.CommandText = Rules;
        command.ExecuteNonQuery();
    }

    public override async Task ConnectionOpenedAsync(
        DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
    {
        await using DbCommand command = connection.CreateCommand();
        command.CommandText = Rules;
        await command.ExecuteNonQueryAsync(cancellationToken);
    }
}
