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
public sealed record Contents(int Sessions, int Takes, int Notes, int Materials, DateOnly? LastDay)
{
    /// <summary>Whether there is nothing that could be lost.</summary>
    public bool IsEmpty => Sessions + Takes + Notes + Materials == 0;
}

/// <summary>A backup.</summary>
/// <param name="Name">Its file name.</param>
/// <param name="TakenUtc">When it was made.</param>
/// <param name="Kind">Why it was made.</param>
/// <param name="Contents">What it holds; null when it cannot be read.</param>
public sealed record Backup(string Name, DateTime TakenUtc, BackupKind Kind, Contents? Contents);

/// <summary>
/// The backups of one file in a folder: of days, weeks and months (<see cref="Retention"/>), and some before each greater change. What
/// is attached to the book lies beside them once.
/// </summary>
/// <param name="path">The file.</param>
/// <param name="folder">The folder; null for the usual one beside the file.</param>
public sealed partial class Backups(string path, string? folder = null)
{
    /// <summary>Backups kept of each kind but the daily ones.</summary>
    public const int Kept = 14;

    /// <summary>One work at a time in this program: what one makes another must not tidy away.</summary>
    private static readonly Lock OneAtATime = new();

    private const string Stamp = "yyyy-MM-dd'T'HHmmss'Z'";

    /// <summary>Where they lie.</summary>
    public string Folder { get; } =
        folder ?? Path.Combine(Path.GetDirectoryName(Path.GetFullPath(path))!, "backups", Path.GetFileNameWithoutExtension(path));

    private Attachments Attached => new(Path.Combine(Folder, "attachments"));

    private BackupSounds Heard => new(path, folder);

    /// <summary>When the newest was made; null when there is none.</summary>
    public DateTime? NewestUtc => Names() is [var newest, ..] ? newest.TakenUtc : null;

    /// <summary>All of them, the newest first.</summary>
    public IReadOnlyList<Backup> All() =>
        [.. Names().Select(found => new Backup(found.Name, found.TakenUtc, found.Kind, WholeContents(Path.Combine(Folder, found.Name))))];

    /// <summary>Makes one, checked after writing; then those beyond the number kept go.</summary>
    /// <exception cref="TroubleException">It could not be made; the others stay as they are.</exception>
    public string Make(BackupKind kind, DateTime nowUtc)
    {
        string Name() => $"{nowUtc.ToString(Stamp, CultureInfo.InvariantCulture)}.{kind}.db";
        var name = Name();
        lock (OneAtATime)
        {
            // Two in one second: none takes the place of the other.
            for (; ContentsOf(Path.Combine(Folder, name)) is not null; name = Name())
                nowUtc = nowUtc.AddSeconds(1);
            SafeFile.Copy(path, Path.Combine(Folder, name), Attached.TakeOut);
            Tidy(name);
        }

        return name;
    }

    /// <summary>Copies the newest backup to another folder, with what is attached to it, when it is not there yet.</summary>
    /// <returns>True when there was something to copy.</returns>
    /// <exception cref="TroubleException">The other folder cannot be written, or has no room; what lies there stays as it is.</exception>
    public bool CopyNewestTo(Backups other)
    {
        ArgumentNullException.ThrowIfNull(other);
        lock (OneAtATime)
        {
            if (Names() is not [var newest, ..] || other.Names().Any(one => one.Name == newest.Name))
                return false;
            var (from, to) = (Path.Combine(Folder, newest.Name), Path.Combine(other.Folder, newest.Name));
            try
            {
                using (var backup = SafeFile.Open(from, SqliteOpenMode.ReadOnly))
                {
                    Attached.CopyTo(other.Attached, Attachments.NeededBy(backup));
                    Heard.All.CopyTo(other.Heard.All, Recorded.In(backup));
                }

                // What is attached is out of it already.
                SafeFile.Copy(from, to);
                other.Tidy(newest.Name);
                return true;
            }
            catch (Exception problem) when (problem is not TroubleException && TroubleException.Of(problem, to) is { } trouble)
            {
                throw new TroubleException(trouble.Kind, trouble.Message, problem);
            }
        }
    }

    /// <summary>Removes what is beyond the number kept, what was attached to nothing else, and halves that a killed program left.</summary>
    /// <param name="made">The one that was just made: it stays, also where others bear the date of a clock that was ahead.</param>
    private void Tidy(string made)
    {
        foreach (var half in Directory.EnumerateFiles(Folder, "*.partial*"))
            File.Delete(half);
        var names = Names();
        var days = Retention.Kept(names.Where(found => found.Kind == BackupKind.Daily).Select(found => found.TakenUtc));
        var gone = names
            .Where(found => found.Kind == BackupKind.Daily && !days.Contains(found.TakenUtc))
            .Concat(names.Where(found => found.Kind != BackupKind.Daily).GroupBy(found => found.Kind).SelectMany(kind => kind.Skip(Kept)))
            .Where(found => found.Name != made)
            .ToList();
        foreach (var old in gone)
            SafeFile.Delete(Path.Combine(Folder, old.Name));
        var needed = new HashSet<string>(StringComparer.Ordinal);
        foreach (var backup in names.Except(gone))
        {
            // One that cannot be read may still be mended by somebody: nothing that it needs goes.
            if (Needed(Path.Combine(Folder, backup.Name)) is not { } some)
                return;
            needed.UnionWith(some);
        }

        Attached.KeepOnly(needed);
        Heard.Tidy([.. names.Except(gone).Select(found => (Path.Combine(Folder, found.Name), found.TakenUtc))]);
    }

    private static IReadOnlyList<string>? Needed(string backup)
    {
        try
        {
            using var file = SafeFile.Open(backup, SqliteOpenMode.ReadOnly);
            return Attachments.NeededBy(file);
        }
        catch (SqliteException)
        {
            return null;
        }
    }

    /// <summary>What a backup holds; null when it cannot be read or something that was attached is gone.</summary>
    private Contents? WholeContents(string backup) => Needed(backup) is { } needed && Attached.Has(needed) ? ContentsOf(backup) : null;

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
    /// <param name="name">Its name.</param>
    /// <param name="nowUtc">Now.</param>
    /// <param name="from">Where it lies, when not here.</param>
    /// <exception cref="TroubleException">The backup is damaged, or there is no room; the file is as it was.</exception>
    /// <exception cref="FileNotFoundException">There is no such backup.</exception>
    public void Restore(string name, DateTime nowUtc, Backups? from = null)
    {
        from ??= this;
        var backup = from.Names().FirstOrDefault(found => found.Name == name).Name
            ?? throw new FileNotFoundException($"There is no backup called {name}.");
        var ready = path + ".restored";
        SafeFile.Copy(Path.Combine(from.Folder, backup), ready, from.Attached.PutIn);
        Heard.BringFrom(from.Heard, ready);
        PutInPlace(ready, nowUtc);
    }

    /// <summary>Puts a whole file in the place of the book, as <see cref="Restore"/> does.</summary>
    /// <param name="ready">The file; it is gone from there afterwards.</param>
    /// <param name="nowUtc">Now.</param>
    public void PutInPlace(string ready, DateTime nowUtc)
    {
        if (PracticeFile.IsThere(path) && ContentsOf(path) is not null && IsWhole())
        {
            Make(BackupKind.BeforeRestore, nowUtc);
            SafeFile.Replace(ready, path);
            return;
        }

        SafeFile.SetAside(path, nowUtc);
        File.Move(ready, path);
    }

    /// <summary>What a book holds now: nothing where there is no file yet; null when it cannot be read.</summary>
    public static Contents? NowIn(string file) => PracticeFile.IsThere(file) ? ContentsOf(file) : new Contents(0, 0, 0, 0, null);

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
                        (match.Value, Taken: TakenAt(match.Groups["taken"].Value), Enum.Parse<BackupKind>(match.Groups["kind"].Value))
                    )
                    // A name that only looks like ours, with a day that there is not, is somebody else's file.
                    .Where(found => found.Taken is not null)
                    .Select(found => (found.Value, found.Taken!.Value, found.Item3))
                    .OrderByDescending(found => found.Item2),
            ];

    private static DateTime? TakenAt(string stamp) =>
        DateTime.TryParseExact(
            stamp,
            Stamp,
            CultureInfo.InvariantCulture,
            DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal,
            out var taken
        )
            ? taken
            : null;

    [GeneratedRegex(
        "^(?<taken>[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{6}Z)\\.(?<kind>Daily|BeforeUpgrade|BeforeRestore|ByHand)\\.db$",
        RegexOptions.ExplicitCapture,
        matchTimeoutMilliseconds: 1000
    )]
    private static partial Regex Named();
}
