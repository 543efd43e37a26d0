using System.Linq.Expressions;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Data.Rows;

namespace TuningFork.Data;

/// <summary>One player's file.</summary>
public sealed class PracticeDb(DbContextOptions<PracticeDb> options) : DbContext(options)
{
    public DbSet<ProfileRow> Profiles => Set<ProfileRow>();

    public DbSet<MaterialRow> Materials => Set<MaterialRow>();

    public DbSet<VisitRow> Visits => Set<VisitRow>();

    public DbSet<MusicRow> Music => Set<MusicRow>();
    public DbSet<MusicFileRow> MusicFiles => Set<MusicFileRow>();

    public DbSet<RatingRow> Ratings => Set<RatingRow>();

    public DbSet<RoutineRow> Routines => Set<RoutineRow>();

    public DbSet<WarmUpRow> WarmUps => Set<WarmUpRow>();

    public DbSet<PlanRow> Plans => Set<PlanRow>();

    public DbSet<SessionRow> Sessions => Set<SessionRow>();

    public DbSet<SessionDrillRow> SessionDrills => Set<SessionDrillRow>();

    public DbSet<ActRow> Acts => Set<ActRow>();

    public DbSet<TakeRow> Takes => Set<TakeRow>();

    public DbSet<EntryRow> Entries => Set<EntryRow>();

    public DbSet<EntryBeforeRow> EntriesBefore => Set<EntryBeforeRow>();

    public DbSet<DayOffRow> DaysOff => Set<DayOffRow>();

    public DbSet<DayMinutesRow> DaysMoved => Set<DayMinutesRow>();

    public DbSet<BusyRow> Busy => Set<BusyRow>();

    public DbSet<SpareRow> Spares => Set<SpareRow>();

    public DbSet<BodyRow> Bodies => Set<BodyRow>();

    public DbSet<KeyRow> Keys => Set<KeyRow>();

    public DbSet<AskRow> Asks => Set<AskRow>();

    public DbSet<GoalRow> Goals => Set<GoalRow>();

    public DbSet<MethodRow> Methods => Set<MethodRow>();

    public DbSet<PageRow> Pages => Set<PageRow>();

    public DbSet<RecordingRow> Recordings => Set<RecordingRow>();

    public DbSet<HeardRow> Heard => Set<HeardRow>();

    public DbSet<ReadingRow> Readings => Set<ReadingRow>();

    public DbSet<EarItemRow> EarItems => Set<EarItemRow>();

    public DbSet<EarAnswerRow> EarAnswers => Set<EarAnswerRow>();

    public DbSet<TuneRow> Tunes => Set<TuneRow>();

    public DbSet<FindRow> Finds => Set<FindRow>();

    public DbSet<CopyRow> Copies => Set<CopyRow>();

    public DbSet<ReviewAnswerRow> ReviewAnswers => Set<ReviewAnswerRow>();

    public DbSet<BoxRow> Boxes => Set<BoxRow>();

    public DbSet<FactRow> Facts => Set<FactRow>();

    /// <summary>row => row.RemovedUtc == null, for a kind of row.</summary>
    private static LambdaExpression IsThere(Type kind)
    {
        var row = Expression.Parameter(kind, "row");
        return Expression.Lambda(
            Expression.Equal(Expression.Property(row, nameof(IRemovable.RemovedUtc)), Expression.Constant(null, typeof(DateTime?))),
            row
        );
    }

    /// <summary>What hangs on a removed material is hidden with it: that is meant.</summary>
    protected override void OnConfiguring(DbContextOptionsBuilder optionsBuilder) =>
        optionsBuilder.ConfigureWarnings(warnings =>
            warnings.Ignore(CoreEventId.PossibleIncorrectRequiredNavigationWithQueryFilterInteractionWarning)
        );

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        ArgumentNullException.ThrowIfNull(configurationBuilder);
        configurationBuilder.Properties<Enum>().HaveConversion<string>();
        configurationBuilder.Properties<Beat>().HaveConversion<BeatConversion>();
        configurationBuilder.Properties<MethodId>().HaveConversion<MethodIdConversion>();
    }

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        ArgumentNullException.ThrowIfNull(modelBuilder);
        modelBuilder.Entity<KeyRow>().HasKey(row => new { row.MaterialId, row.Key });
        modelBuilder.Entity<MusicRow>().HasKey(row => row.MaterialId);
        modelBuilder.Entity<MusicRow>().HasOne(row => row.Material).WithOne().HasForeignKey<MusicRow>(row => row.MaterialId);
        modelBuilder.Entity<MusicRow>().Property(row => row.MaterialId).ValueGeneratedNever();
        modelBuilder.Entity<MusicFileRow>().HasKey(row => row.MaterialId);
        modelBuilder.Entity<MusicFileRow>().HasOne(row => row.Material).WithOne().HasForeignKey<MusicFileRow>(row => row.MaterialId);
        modelBuilder.Entity<MusicFileRow>().Property(row => row.MaterialId).ValueGeneratedNever();
        modelBuilder.Entity<AskRow>().HasKey(ask => ask.Key);
        modelBuilder.Entity<DayMinutesRow>().HasKey(row => row.Day);
        modelBuilder.Entity<SpareRow>().HasIndex(row => row.Key).IsUnique();
        modelBuilder.Entity<SpareRow>().HasIndex(row => row.Day);
        modelBuilder.Entity<EntryBeforeRow>().HasIndex(row => row.EntryId);
        modelBuilder.Entity<EntryRow>().HasIndex(row => row.CarriedTo).HasFilter("\"CarriedTo\" IS NOT NULL");
        modelBuilder.Entity<FactRow>().HasKey(fact => fact.Name);
        modelBuilder.Entity<MaterialRow>().HasOne(row => row.Piece).WithMany().HasForeignKey(row => row.PieceId);
        modelBuilder.Entity<VisitRow>().HasIndex(row => new { row.MaterialId, row.Day }).IsUnique();
        modelBuilder.Entity<VisitRow>().HasIndex(row => row.Day);
        modelBuilder.Entity<RatingRow>().HasIndex(row => new { row.MaterialId, row.Day });
        modelBuilder.Entity<PageRow>().HasIndex(row => row.MaterialId);
        modelBuilder.Entity<RecordingRow>().HasIndex(row => row.Key).IsUnique();
        modelBuilder.Entity<HeardRow>().HasIndex(row => row.Key).IsUnique();
        modelBuilder.Entity<HeardRow>().HasIndex(row => row.Day);
        modelBuilder
            .Entity<HeardRow>()
            .HasOne(row => row.Material)
            .WithMany()
            .HasForeignKey(row => row.MaterialId)
            .OnDelete(DeleteBehavior.Cascade);
        // Today asks for the songs alone.
        modelBuilder.Entity<RecordingRow>().HasIndex(row => row.Kind).HasFilter("\"Kind\" = 'Song'");
        // Of a thing all in order, and how much room all take, from the index alone.
        modelBuilder
            .Entity<RecordingRow>()
            .HasIndex(row => new
            {
                row.MaterialId,
                row.AtUtc,
                row.Bytes,
            });
        modelBuilder
            .Entity<RecordingRow>()
            .HasOne(row => row.Material)
            .WithMany()
            .HasForeignKey(row => row.MaterialId)
            .OnDelete(DeleteBehavior.Cascade);
        modelBuilder.Entity<ReadingRow>().HasIndex(row => row.Key).IsUnique();
        modelBuilder.Entity<ReadingRow>().HasIndex(row => row.Fingerprint);
        modelBuilder.Entity<FindRow>().HasIndex(row => row.Key).IsUnique();
        modelBuilder.Entity<FindRow>().HasIndex(row => row.TuneId);
        modelBuilder.Entity<CopyRow>().HasIndex(row => row.Key).IsUnique();
        modelBuilder.Entity<CopyRow>().HasIndex(row => new { row.Kind, row.Day });
        modelBuilder.Entity<ReviewAnswerRow>().HasIndex(row => row.Day);
        modelBuilder.Entity<EarItemRow>().HasKey(row => row.Item);
        modelBuilder.Entity<EarAnswerRow>().HasIndex(row => row.Key).IsUnique();
        // Who is taken for whom is read from the index alone.
        modelBuilder
            .Entity<EarAnswerRow>()
            .HasIndex(row => new
            {
                row.Day,
                row.Item,
                row.Said,
            });
        modelBuilder.Entity<PlanRow>().HasIndex(row => row.Day);
        modelBuilder.Entity<SessionRow>().HasIndex(row => row.Day);
        modelBuilder.Entity<SessionRow>().HasIndex(row => row.EndedUtc);
        modelBuilder.Entity<SessionRow>().HasMany(row => row.Drills).WithOne().HasForeignKey(row => row.SessionId);
        // Today's plan reads only from these three and the one on takes, never from the rows, which hold whole drills.
        modelBuilder
            .Entity<SessionDrillRow>()
            .HasIndex(row => new
            {
                row.Area,
                row.Day,
                row.PlayedSeconds,
            });
        modelBuilder
            .Entity<SessionDrillRow>()
            .HasIndex(row => new
            {
                row.Day,
                row.Area,
                row.PlayedSeconds,
            });
        modelBuilder
            .Entity<SessionDrillRow>()
            .HasIndex(row => new
            {
                row.CreditedTo,
                row.Day,
                row.PlayedSeconds,
            });
        modelBuilder.Entity<SessionDrillRow>().HasMany(row => row.Takes).WithOne().HasForeignKey(row => row.SessionDrillId);
        modelBuilder
            .Entity<TakeRow>()
            .HasIndex(row => new
            {
                row.Day,
                row.Key,
                row.Clean,
            });
        modelBuilder.Entity<EntryRow>().HasIndex(row => row.Day);
        // Today asks for the shelf alone, which is some lines among those of a lifetime.
        modelBuilder.Entity<EntryRow>().HasIndex(row => row.Kind).HasFilter("\"Kind\" = 'Shelf'");
        modelBuilder.Entity<EntryRow>().HasIndex(row => row.Key).IsUnique();
        // Only of those that are about a material: for the many others their title is the way.
        modelBuilder.Entity<EntryRow>().HasIndex(row => row.MaterialId).HasFilter("\"MaterialId\" IS NOT NULL");
        modelBuilder.Entity<EntryRow>().HasIndex(row => row.About);
        foreach (var entity in modelBuilder.Model.GetEntityTypes())
        {
            if (typeof(IRemovable).IsAssignableFrom(entity.ClrType))
                entity.SetQueryFilter(IsThere(entity.ClrType));
            if (entity.FindProperty("Version") is { } version)
                version.IsConcurrencyToken = true;
        }

        // A recording is hidden with what was played in it.
        modelBuilder
            .Entity<RecordingRow>()
            .HasQueryFilter(row => row.RemovedUtc == null && (row.MaterialId == null || row.Material != null));
        modelBuilder.Entity<HeardRow>().HasQueryFilter(row => row.MaterialId == null || row.Material != null);
        // A goal goes with what it is about, and comes back with it.
        modelBuilder.Entity<GoalRow>().HasQueryFilter(row => row.RemovedUtc == null && row.Material!.RemovedUtc == null);
    }
}
