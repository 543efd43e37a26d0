using Microsoft.EntityFrameworkCore.Design;

namespace TuningFork.Data;

/// <summary>Lets the migration tool make a context.</summary>
public sealed class DesignTime : IDesignTimeDbContextFactory<PracticeDb>
{
    public PracticeDb CreateDbContext(string[] args) => new(PracticeFile.Options("design-time.db"));
}
