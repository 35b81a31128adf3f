using System.Data.Common;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Incisura.Web.Hosting;

/// <summary>Notes on a request that something was saved, so that an error after it does not claim that nothing was.</summary>
public sealed class SavedMark(IHttpContextAccessor accessor) : DbTransactionInterceptor, ISaveChangesInterceptor
{
    private static readonly object Key = new();

    /// <summary>Whether a request has saved anything.</summary>
    public static bool IsOn(HttpContext? context) => context?.Items.ContainsKey(Key) == true;

    public override Task TransactionCommittedAsync(
        DbTransaction transaction, TransactionEndEventData eventData, CancellationToken cancellationToken = default)
    {
        Mark();
        return Task.CompletedTask;
    }

    public ValueTask<int> SavedChangesAsync(SaveChangesCompletedEventData eventData, int result, CancellationToken cancellationToken = default)
    {
        if (eventData.Context?.Database.CurrentTransaction is null && result > 0) Mark();
        return ValueTask.FromResult(result);
    }

    private void Mark()
    {
        if (accessor.HttpContext is { } context) context.Items[Key] = true;
    }
}
