using System.Linq.Expressions;
using Incisura.Core.Records;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Microsoft.EntityFrameworkCore.Storage;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace Incisura.Data;

/// <summary>The database. Saving raises revisions and keeps history; published editions cannot be changed.</summary>
public sealed class IncisuraDb(DbContextOptions<IncisuraDb> options) : IdentityDbContext<Person>(options)
{
    // The step since which the history tells what people may do.
    private const string ToldOfPeople = "_Gate";

    public DbSet<StoredCutter> Cutters => Set<StoredCutter>();

    public DbSet<StoredHolder> Holders => Set<StoredHolder>();

    public DbSet<StoredAssembly> Assemblies => Set<StoredAssembly>();

    public DbSet<StoredMethod> Methods => Set<StoredMethod>();

    public DbSet<StoredHoleGroup> HoleGroups => Set<StoredHoleGroup>();

    public DbSet<StoredThread> Threads => Set<StoredThread>();

    public DbSet<ThreadApprovalRow> ThreadApprovals => Set<ThreadApprovalRow>();

    public DbSet<StoredMaterial> Materials => Set<StoredMaterial>();

    public DbSet<StoredMachine> Machines => Set<StoredMachine>();

    public DbSet<StoredChart> Charts => Set<StoredChart>();

    public DbSet<Revision> History => Set<Revision>();

    public DbSet<PlaceRow> Places => Set<PlaceRow>();

    public DbSet<BatchRow> Batches => Set<BatchRow>();

    public DbSet<SavedViewRow> SavedViews => Set<SavedViewRow>();

    public DbSet<SessionRow> Sessions => Set<SessionRow>();

    public DbSet<RecordRow> Records => Set<RecordRow>();

    public DbSet<RecordRevisionRow> RecordRevisions => Set<RecordRevisionRow>();

    public DbSet<PartRow> Parts => Set<PartRow>();

    public DbSet<CommentRow> Comments => Set<CommentRow>();

    public DbSet<ReportPhotoRow> ReportPhotos => Set<ReportPhotoRow>();

    public DbSet<SecondFactorRow> SecondFactors => Set<SecondFactorRow>();

    public DbSet<FloorReportRow> FloorReports => Set<FloorReportRow>();

    public DbSet<AbsenceRow> Absences => Set<AbsenceRow>();

    public DbSet<LetterRow> Letters => Set<LetterRow>();

    public DbSet<MissRow> Misses => Set<MissRow>();

    /// <summary>Everything that was ever changed, in a chain.</summary>
    public DbSet<ChangeRow> Changes => Set<ChangeRow>();

    public DbSet<EditionRow> Editions => Set<EditionRow>();

    public DbSet<EditionEntryRow> EditionEntries => Set<EditionEntryRow>();

    public DbSet<EditionFileRow> EditionFiles => Set<EditionFileRow>();

    public DbSet<EditionLineRow> EditionLines => Set<EditionLineRow>();

    public DbSet<EditionLeafRow> EditionLeaves => Set<EditionLeafRow>();

    public DbSet<EditionKeyRow> EditionKeys => Set<EditionKeyRow>();

    public DbSet<ReadingRow> Readings => Set<ReadingRow>();

    /// <summary>Mark in the head of a database file that was filled as the demo.</summary>
    private const int DemoMark = 0x494E4344;

    /// <summary>Opens the file with write-ahead log and foreign keys, and brings its tables up to date where they are not.</summary>
    /// <remarks>The caller holds the file alone, so that a lock that a killed start left behind is nobody's.</remarks>
    public async Task PrepareAsync(CancellationToken cancel)
    {
        string[] applied = [.. await Database.GetAppliedMigrationsAsync(cancel)];
        if (applied.Except(Database.GetMigrations()).LastOrDefault() is { } newer)
            throw new StartException(
                $"{Database.GetDbConnection().DataSource} was written by a newer Incisura (step {newer}), which this one does not know. Start the newer "
                    + "one, or restore the copy that was made before it was first started: it lies beside the database.");
        if ((await Database.GetPendingMigrationsAsync(cancel)).Any())
        {
            if (applied is [.., var last])
            {
                string file = Database.GetDbConnection().DataSource;
                await DatabaseCopy.MakeAsync(file, $"{file}.before-{last}", cancel);
            }

            if (await Database.SqlQueryRaw<int>(
                "SELECT COUNT(*) AS Value FROM sqlite_master WHERE name = '__EFMigrationsLock'").SingleAsync(cancel) > 0)
                await Database.ExecuteSqlRawAsync("DELETE FROM __EFMigrationsLock", cancel);
            bool people = applied.Length > 0 && !applied.Any(a => a.EndsWith(ToldOfPeople, StringComparison.Ordinal));
            await Database.MigrateAsync(cancel);
            if (people) await Chronicle.AdoptPeopleAsync(this, DateTimeOffset.UtcNow, cancel);
        }

        await RecordParts.TakeApartAsync(this, cancel);
        await Chronicle.AdoptAsync(this, cancel);

        await Database.ExecuteSqlRawAsync("PRAGMA journal_mode = WAL;", cancel);
    }

    /// <summary>Whether the file was filled as the demo.</summary>
    public async Task<bool> IsDemoAsync(CancellationToken cancel) =>
        await Database.SqlQueryRaw<int>("SELECT application_id AS Value FROM pragma_application_id").SingleAsync(cancel) == DemoMark;

    /// <summary>Marks the file as filled as the demo.</summary>
    public Task MarkAsDemoAsync(CancellationToken cancel) => Database.ExecuteSqlRawAsync($"PRAGMA application_id = {DemoMark}", cancel);

    /// <summary>Connection string of a database file.</summary>
    public static string ConnectionTo(string path) => $"Data Source={path};Foreign Keys=True;Default Timeout=10";

    /// <summary>The database of a file, for a command beside the server.</summary>
    public static IncisuraDb At(string path) =>
        new(new DbContextOptionsBuilder<IncisuraDb>().UseSqlite(ConnectionTo(path)).AddInterceptors(new EachConnection()).Options);

    /// <summary>Refuses: the history is written by <see cref="SaveChangesAsync(bool, CancellationToken)"/>, and nothing is saved without it.</summary>
    /// <exception cref="NotSupportedException">Always.</exception>
    public override int SaveChanges(bool acceptAllChangesOnSuccess) =>
        throw new NotSupportedException("Save with SaveChangesAsync, which writes the history of what is saved.");

    public override async Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        if (ChangeTracker.Entries().Any(
            e =>
                e.State is EntityState.Modified or EntityState.Deleted
                    && e.Entity is EditionRow or EditionFileRow or EditionLineRow or EditionLeafRow or EditionEntryRow or Revision or ChangeRow))
            throw new InvalidOperationException("A published edition and the revision history cannot be changed.");
        List<IStored> changed =
            [.. ChangeTracker.Entries<IStored>().Where(e => e.State is EntityState.Added or EntityState.Modified).Select(e => e.Entity)];
        foreach (IStored stored in changed) stored.Revision++;
        List<Func<Change>> told = Chronicle.Gather(ChangeTracker);
        if (told.Count == 0) return await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);

        // Identities of new rows are known only after the first write, so history follows in the same transaction.
        await using IDbContextTransaction? own = Database.CurrentTransaction is null ? await Database.BeginTransactionAsync(cancellationToken) : null;
        int written = await base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
        foreach (IGrouping<Type, IStored> kind in changed.GroupBy(s => s.GetType()))
            written += await KeepAsync(kind.Key, [.. kind], cancellationToken);
        await Chronicle.AppendAsync(this, [.. told.Select(t => t()).OrderBy(c => c.At)], cancellationToken);
        if (own is not null) await own.CommitAsync(cancellationToken);
        return written;
    }

    /// <summary>Everything of library and shop as it lies in the file, letter for letter.</summary>
    internal async Task<IReadOnlyList<StoredText>> AllStoredAsync(CancellationToken cancel)
    {
        List<StoredText> all = [];
        foreach (Type type in Model.GetEntityTypes().Select(t => t.ClrType).Where(t => t.IsAssignableTo(typeof(IStored))))
        {
            string kind = ((IStored)System.Runtime.CompilerServices.RuntimeHelpers.GetUninitializedObject(type)).Kind;
            string table = Model.FindEntityType(type)!.GetTableName()!;
#pragma warning disable EF1002 // The table's name comes from the model.
            all.AddRange(await Database.SqlQueryRaw<StoredText>(
                $$"""SELECT {0} AS "Kind", "Id", "Revision", "Name", "Definition" AS "Json" FROM "{{table}}" """, kind).ToListAsync(cancel));
#pragma warning restore EF1002
        }

        return all;
    }

    // A revision is the row as it stands now; the database copies it, so that many rows cost little.
    private async Task<int> KeepAsync(Type type, List<IStored> rows, CancellationToken cancel)
    {
        string table = Model.FindEntityType(type)!.GetTableName()!, ids = "[" + string.Join(',', rows.Select(r => r.Id)) + "]";
#pragma warning disable EF1002 // The table's name comes from the model.
        return await Database.ExecuteSqlRawAsync(
            $"""
            INSERT INTO "Revisions" ("Kind", "ObjectId", "Number", "At", "By", "Json")
            SELECT @p0, "Id", "Revision", "ChangedAt", "ChangedBy", "Definition" FROM "{table}"
            WHERE "Id" IN (SELECT value FROM json_each(@p1))
            """,
            [rows[0].Kind, ids],
            cancel);
#pragma warning restore EF1002
    }

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<DateTimeOffset>().HaveConversion<UtcMilliseconds>();
        configurationBuilder.Properties<RecordState>().HaveConversion<string>();
        configurationBuilder.Properties<RecordAct>().HaveConversion<string>();
        configurationBuilder.Properties<ReportOutcome>().HaveConversion<string>();
        configurationBuilder.Properties<Stands>().HaveConversion<string>();
    }

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        MapStored<StoredCutter, Core.Cutters.Cutter>(builder, "Cutters");
        MapStored<StoredHolder, Core.Holders.Holder>(builder, "Holders");
        MapStored<StoredMethod, Core.Methods.Method>(builder, "Methods");
        MapStored<StoredHoleGroup, Core.HoleGroups.HoleGroup>(builder, "HoleGroups");
        MapStored<StoredThread, Core.Threads.OwnThread>(builder, "Threads");
        EntityTypeBuilder<ThreadApprovalRow> approval = builder.Entity<ThreadApprovalRow>().ToTable("ThreadApprovals");
        approval.HasKey(a => a.ThreadId);
        approval.Ignore(a => a.ThreadName);
        approval.Property(a => a.ThreadId).ValueGeneratedNever();
        approval.HasOne<StoredThread>().WithOne().HasForeignKey<ThreadApprovalRow>(a => a.ThreadId).OnDelete(DeleteBehavior.Restrict);
        MapStored<StoredMaterial, Core.Materials.WorkMaterial>(builder, "Materials");
        MapStored<StoredMachine, Core.Machines.Machine>(builder, "Machines");
        MapStored<StoredChart, Core.Charts.SpeedChart>(builder, "Charts");
        EntityTypeBuilder<StoredAssembly> assembly = MapStored<StoredAssembly, Core.Holders.Assembly>(builder, "Assemblies");
        assembly.HasOne<StoredCutter>().WithMany().HasForeignKey(a => a.CutterId).OnDelete(DeleteBehavior.Restrict);
        assembly.HasOne<StoredHolder>().WithMany().HasForeignKey(a => a.HolderId).OnDelete(DeleteBehavior.Restrict);

        assembly.HasMany(a => a.Places).WithOne().HasForeignKey(p => p.AssemblyId).OnDelete(DeleteBehavior.Cascade);
        assembly.Navigation(a => a.Places).AutoInclude();
        EntityTypeBuilder<PlaceRow> place = builder.Entity<PlaceRow>().ToTable("Places");
        place.HasKey(p => new { p.MachineId, p.Place });
        place.HasOne<StoredMachine>().WithMany().HasForeignKey(p => p.MachineId).OnDelete(DeleteBehavior.Restrict);
        builder.Entity<BatchRow>().ToTable("Batches").Ignore(b => b.TakesBack);
        builder.Entity<SavedViewRow>().ToTable("SavedViews").HasIndex(v => new { v.Person, v.List, v.Name }).IsUnique();

        EntityTypeBuilder<SessionRow> session = builder.Entity<SessionRow>().ToTable("Sessions");
        session.HasKey(s => s.Key);
        session.HasIndex(s => s.PersonId);
        EntityTypeBuilder<SecondFactorRow> factor = builder.Entity<SecondFactorRow>().ToTable("SecondFactors");
        factor.HasKey(f => f.PersonId);
        factor.HasOne<Person>().WithOne().HasForeignKey<SecondFactorRow>(f => f.PersonId).OnDelete(DeleteBehavior.Cascade);
        session.HasOne<Person>().WithMany().HasForeignKey(s => s.PersonId).OnDelete(DeleteBehavior.Cascade);

        builder.Entity<Revision>().ToTable("Revisions").HasKey(r => new { r.Kind, r.ObjectId, r.Number });

        EntityTypeBuilder<RecordRow> record = builder.Entity<RecordRow>().ToTable("Records");
        record.HasIndex(r => r.Number).IsUnique();
        record.HasIndex(r => new { r.Operation, r.MaterialId, r.AssemblyId, r.MachineId, r.Thread }).IsUnique();
        record.HasOne<StoredMaterial>().WithMany().HasForeignKey(r => r.MaterialId).OnDelete(DeleteBehavior.Restrict);
        record.HasOne<StoredAssembly>().WithMany().HasForeignKey(r => r.AssemblyId).OnDelete(DeleteBehavior.Restrict);
        record.HasOne<StoredMachine>().WithMany().HasForeignKey(r => r.MachineId).OnDelete(DeleteBehavior.Restrict);
        record.HasMany(r => r.Revisions).WithOne(v => v.Record).HasForeignKey(v => v.RecordId);

        EntityTypeBuilder<RecordRevisionRow> revision = builder.Entity<RecordRevisionRow>().ToTable("RecordRevisions");
        revision.HasIndex(v => new { v.RecordId, v.Number }).IsUnique();
        revision.Property(v => v.Version).IsConcurrencyToken();

        // All that lists filter, sort and count by, so that they never read the rows themselves, which are a hundred times as long; and with
        // the words once more, for searches only.
        revision.HasIndex(v => new
        {
            v.IsNewest,
            v.IsInForce,
            v.IsCounted,
            v.State,
            v.Stands,
            v.EndsOn,
            v.Operation,
            v.MaterialId,
            v.MachineId,
            v.CutterId,
            v.ChangedAt,
            v.Moved,
            v.WorstUse,
            v.WorstLimit,
            v.RecordId,
            v.ProposedBy,
            v.SentBack,
            v.StoppedBy,
        }, "IX_RecordRevisions_Lists");
        revision.HasIndex(v => new
        {
            v.IsNewest,
            v.IsInForce,
            v.State,
            v.Stands,
            v.ChangedAt,
            v.Moved,
            v.WorstUse,
            v.WorstLimit,
            v.RecordId,
            v.ProposedBy,
            v.SentBack,
            v.StoppedBy,
            v.EndsOn,
            v.Operation,
            v.MaterialId,
            v.MachineId,
            v.CutterId,
            v.Search,
            v.Note,
        }, "IX_RecordRevisions_Words");

        revision.Property(v => v.SituationOnce).HasColumnName("Situation");
        builder.Entity<PartRow>().ToTable("Parts").HasKey(p => p.Hash);
        revision.HasMany(v => v.Events).WithOne().HasForeignKey(e => e.RevisionId);
        builder.Entity<RecordEventRow>().ToTable("RecordEvents");
        EntityTypeBuilder<CommentRow> comment = builder.Entity<CommentRow>().ToTable("Comments");
        comment.HasIndex(c => c.RecordId);
        comment.HasOne<RecordRow>().WithMany().HasForeignKey(c => c.RecordId);
        EntityTypeBuilder<FloorReportRow> report = builder.Entity<FloorReportRow>().ToTable("FloorReports");
        report.HasIndex(r => r.Key).IsUnique();
        report.HasIndex(r => new { r.RecordId, r.Revision });
        report.HasOne<RecordRow>().WithMany().HasForeignKey(r => r.RecordId);
        EntityTypeBuilder<ReportPhotoRow> photo = builder.Entity<ReportPhotoRow>().ToTable("ReportPhotos");
        photo.HasKey(p => p.ReportId);
        photo.Property(p => p.ReportId).ValueGeneratedNever();
        photo.HasOne<FloorReportRow>().WithOne(r => r.Photo).HasForeignKey<ReportPhotoRow>(p => p.ReportId);
        builder.Entity<AbsenceRow>().ToTable("Absences");
        builder.Entity<LetterRow>().ToTable("Letters").HasIndex(l => l.SentAt);
        builder.Entity<MissRow>().ToTable("Misses").HasIndex(m => new { m.CutterId, m.MaterialId, m.MachineId, m.Operation }).IsUnique();
        EntityTypeBuilder<ChangeRow> change = builder.Entity<ChangeRow>().ToTable("Changes");
        change.Property(c => c.Id).ValueGeneratedNever();
        change.HasIndex(c => new { c.Kind, c.ObjectId });

        EntityTypeBuilder<EditionRow> edition = builder.Entity<EditionRow>().ToTable("Editions");
        edition.HasKey(e => e.Number);
        edition.Property(e => e.Number).ValueGeneratedNever();
        edition.HasMany(e => e.Entries).WithOne().HasForeignKey(e => e.EditionNumber);
        EntityTypeBuilder<EditionEntryRow> entry = builder.Entity<EditionEntryRow>().ToTable("EditionEntries");
        entry.HasKey(e => new { e.EditionNumber, e.RecordNumber });
        entry.HasIndex(e => new { e.EditionNumber, e.Assembly });
        EntityTypeBuilder<EditionFileRow> file = builder.Entity<EditionFileRow>().ToTable("EditionFiles");
        file.HasKey(f => f.EditionNumber);
        file.Property(f => f.EditionNumber).ValueGeneratedNever();
        file.HasOne<EditionRow>().WithOne().HasForeignKey<EditionFileRow>(f => f.EditionNumber);
        EntityTypeBuilder<EditionLineRow> line = builder.Entity<EditionLineRow>().ToTable("EditionLines");
        line.HasKey(l => new { l.EditionNumber, l.RecordNumber });
        line.HasOne<EditionRow>().WithMany().HasForeignKey(l => l.EditionNumber);
        line.HasOne<EditionLeafRow>().WithMany().HasForeignKey(l => l.LeafId);
        EntityTypeBuilder<EditionLeafRow> leaf = builder.Entity<EditionLeafRow>().ToTable("EditionLeaves");
        leaf.HasIndex(l => l.Hash).IsUnique();
        leaf.HasIndex(l => l.Assembly);
        leaf.HasIndex(l => l.RevisionId);
        builder.Entity<EditionKeyRow>().ToTable("EditionKeys");
        EntityTypeBuilder<ReadingRow> reading = builder.Entity<ReadingRow>().ToTable("Readings");
        reading.HasKey(r => new { r.EditionNumber, r.Person });
        reading.HasOne<EditionRow>().WithMany().HasForeignKey(r => r.EditionNumber);
    }

    private static EntityTypeBuilder<TStored> MapStored<TStored, TDefinition>(ModelBuilder builder, string table)
        where TStored : Stored<TDefinition>
        where TDefinition : class
    {
        Expression<Func<TDefinition?, TDefinition?, bool>> same = (a, b) => ReferenceEquals(a, b);
        EntityTypeBuilder<TStored> entity = builder.Entity<TStored>().ToTable(table);
        entity.Property(s => s.Name).HasMaxLength(120).UseCollation("NOCASE");
        entity.HasIndex(s => s.Name).IsUnique();
        entity.Property(s => s.Revision).IsConcurrencyToken();
        entity.Property(s => s.Definition).HasConversion(
            d => DefinitionFormat.Write(d),
            json => DefinitionFormat.Read<TDefinition>(json),
            new ValueComparer<TDefinition>(same, d => d.GetHashCode(), d => d));
        return entity;
    }

    private sealed class UtcMilliseconds() : ValueConverter<DateTimeOffset, long>(
        t => t.ToUnixTimeMilliseconds(), ms => DateTimeOffset.FromUnixTimeMilliseconds(ms));
}
