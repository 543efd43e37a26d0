using System.Globalization;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;

namespace TuningFork.Data.Keeping;

/// <summary>Why a backup was made.</summary>
public enum BackupKind
{
    Daily,
    BeforeUpgrade,
    BeforeRestore,
    ByHand,
}

/// <summary>What a file holds, for comparing.</summary>
/// <param name="LastDay">The last day on which something was played, or null.</param>
public sealed record Contents(int Sessions, int Takes, int Notes, int Materials, DateOnly? LastDay);

/// <summary>A backup.</summary>
/// <param name="Name">Its file name.</param>
/// <param name="TakenUtc">When it was made.</param>
/// <param name="Kind">Why it was made.</param>
/// <param name="Contents">What it holds; null when it cannot be read.</param>
public sealed record Backup(string Name, DateTime TakenUtc, BackupKind Kind, Contents? Contents);

/// <summary>The backups of one file, in a folder beside it: the newest fourteen days, and some before each greater change.</summary>
public sealed partial class Backups(string path)
{
    /// <summary>Backups kept of each kind.</summary>
    public const int Kept = 14;

    private const string Stamp = "yyyy-MM-dd'T'HHmmss'Z'";

    /// <summary>Where they lie.</summary>
    public string Folder { get; } =
        Path.Combine(Path.GetDirectoryName(Path.GetFullPath(path))!, "backups", Path.GetFileNameWithoutExtension(path));

    /// <summary>All of them, the newest first.</summary>
    public IReadOnlyList<Backup> All() =>
        [.. Names().Select(found => new Backup(found.Name, found.TakenUtc, found.Kind, ContentsOf(Path.Combine(Folder, found.Name))))];

    /// <summary>Makes one, checked after writing; then those beyond the number kept go.</summary>
    /// <exception cref="TroubleException">It could not be made; the others stay as they are.</exception>
    public string Make(BackupKind kind, DateTime nowUtc)
    {
        var name = $"{nowUtc.ToString(Stamp, CultureInfo.InvariantCulture)}.{kind}.db";
        SafeFile.Copy(path, Path.Combine(Folder, name));
        foreach (var old in Names().Where(found => found.Kind == kind).Skip(Kept))
            SafeFile.Delete(Path.Combine(Folder, old.Name));
        return name;
    }

    /// <summary>Makes the backup of a day, when there is none yet and the file has changed since the last one.</summary>
    /// <param name="nowUtc">Now.</param>
    /// <param name="zone">The zone in which the day is counted.</param>
    public void MakeDaily(DateTime nowUtc, TimeZoneInfo zone)
    {
        DateOnly Day(DateTime utc) => DateOnly.FromDateTime(TimeZoneInfo.ConvertTimeFromUtc(utc, zone));
        if (!PracticeFile.IsThere(path) || ContentsOf(path) is not { Materials: > 0 } and not { Sessions: > 0 } and not { Notes: > 0 })
            return;
        // One from under a clock that was ahead says nothing about today.
        var newest = Names().FirstOrDefault(found => found.Kind == BackupKind.Daily && found.TakenUtc <= nowUtc.AddDays(1));
        if (
            newest.Name is not null
            && (Day(newest.TakenUtc) == Day(nowUtc) || Changed() <= File.GetLastWriteTimeUtc(Path.Combine(Folder, newest.Name)))
        )
            return;
        Make(BackupKind.Daily, nowUtc);
    }

    /// <summary>
    /// Puts a backup in the place of the file. A file that can be read is backed up first; one that cannot is set aside,
    /// never overwritten. Nobody may have the file open meanwhile.
    /// </summary>
    /// <exception cref="TroubleException">The backup is damaged, or there is no room; the file is as it was.</exception>
    /// <exception cref="FileNotFoundException">There is no such backup.</exception>
    public void Restore(string name, DateTime nowUtc)
    {
        var backup = Names().FirstOrDefault(found => found.Name == name).Name
            ?? throw new FileNotFoundException($"There is no backup called {name}.");
        var ready = path + ".restored";
        SafeFile.Copy(Path.Combine(Folder, backup), ready);
        if (PracticeFile.IsThere(path) && ContentsOf(path) is not null && IsWhole())
        {
            Make(BackupKind.BeforeRestore, nowUtc);
            SafeFile.Replace(ready, path);
            return;
        }

        SafeFile.SetAside(path, nowUtc);
        File.Move(ready, path);
    }

    /// <summary>What a file holds; null when it cannot be read.</summary>
    public static Contents? ContentsOf(string file)
    {
        if (!PracticeFile.IsThere(file))
            return null;
        try
        {
            using var open = SafeFile.Open(file, SqliteOpenMode.ReadOnly);
            int Count(string table) => int.Parse(SafeFile.Lines(open, $"SELECT count(*) FROM {table}")[0], CultureInfo.InvariantCulture);
            var last = SafeFile.Lines(open, "SELECT max(Day) FROM Sessions")[0];
            return new Contents(
                Count("Sessions"),
                Count("Takes"),
                Count("Entries"),
                Count("Materials"),
                DateOnly.TryParse(last, CultureInfo.InvariantCulture, out var day) ? day : null
            );
        }
        catch (SqliteException)
        {
            return null;
        }
    }

    private bool IsWhole()
    {
        try
        {
            SafeFile.CheckOnly(path);
            return true;
        }
        catch (Exception problem) when (problem is TroubleException or SqliteException)
        {
            return false;
        }
    }

    private DateTime Changed() => new[] { path, path + "-wal" }.Where(PracticeFile.IsThere).Max(File.GetLastWriteTimeUtc);

    private List<(string Name, DateTime TakenUtc, BackupKind Kind)> Names() =>
        !Directory.Exists(Folder)
            ? []
            :
            [
                .. Directory
                    .EnumerateFiles(Folder, "*.db")
                    .Select(Path.GetFileName)
                    .Select(name => Named().Match(name!))
                    .Where(match => match.Success)
                    .Select(match =>
                        (
                            match.Value,
                            DateTime.ParseExact(
                                match.Groups["taken"].Value,
                                Stamp,
                                CultureInfo.InvariantCulture,
                                DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal
                            ),
                            Enum.Parse<BackupKind>(match.Groups["kind"].Value)
                        )
                    )
                    .OrderByDescending(found => found.Item2),
            ];

    [GeneratedRegex(
        "^(?<taken>[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{6}Z)\\.(?<kind>Daily|BeforeUpgrade|BeforeRestore|ByHand)\\.db$",
        RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 1000
    )]
    private static partial Regex Named();
}
