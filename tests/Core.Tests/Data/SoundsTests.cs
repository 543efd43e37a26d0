using CsCheck;
using Microsoft.Data.Sqlite;
using Shouldly;
using TuningFork.Data;
using TuningFork.Data.Keeping;
using TuningFork.Data.Rows;
using Xunit;

namespace TuningFork.Core.Tests.Data;

/// <summary>The sound of recordings beside the book.</summary>
public sealed class SoundsTests : IDisposable
{
    private static readonly DateTime Noon = new(2031, 5, 14, 12, 0, 0, DateTimeKind.Utc);

    private readonly string folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;

    private string Book => Path.Combine(folder, "own.db");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public void Whatever_is_sent_again_the_sound_is_there_once() =>
        // Pieces as they come, each perhaps with some of what came before in front of it.
        Gen.Select(Gen.Byte.Array[1, 400], Gen.Select(Gen.Int[1, 90], Gen.Int[0, 120]).Array[1, 40])
            .Sample(
                (whole, pieces) =>
                {
                    var (sounds, key, there) = (new Sounds(Path.Combine(folder, "random")), Guid.NewGuid(), 0);
                    foreach (var (length, again) in pieces)
                    {
                        var (from, to) = (Math.Max(0, there - again), Math.Min(whole.Length, there + length));
                        using var piece = new MemoryStream(whole[from..to]);
                        var now = sounds.AppendAsync(key, from, piece, CancellationToken.None).GetAwaiter().GetResult();
                        now.ShouldBe(to);
                        there = to;
                    }

                    File.ReadAllBytes(sounds.PathOf(key)).ShouldBe(whole[..there]);
                }
            );

    [Fact]
    public async Task A_piece_after_a_gap_is_refused_with_what_is_there_and_half_a_piece_is_none()
    {
        var (sounds, key) = (Sounds.Of(Book), Guid.NewGuid());
        await AppendAsync(sounds, key, "abc"u8.ToArray());
        using (var late = new MemoryStream([1, 2]))
            (await Should.ThrowAsync<SoundGapException>(() => sounds.AppendAsync(key, 4, late, CancellationToken.None))).Length.ShouldBe(3);
        await using (var torn = new Torn())
            await Should.ThrowAsync<IOException>(() => sounds.AppendAsync(key, 3, torn, CancellationToken.None));
        sounds.LengthOf(key).ShouldBe(3);
    }

    [Fact]
    public async Task Another_folder_gets_the_sound_and_gives_it_to_a_new_machine()
    {
        var key = await RecordAsync(Book, "sound"u8.ToArray());
        var backups = new Backups(Book);
        backups.Make(BackupKind.Daily, Noon);
        var stick = Path.Combine(folder, "stick");
        Directory.CreateDirectory(stick);
        backups.CopyNewestTo(new Backups(Book, stick)).ShouldBeTrue();

        var machine = Path.Combine(folder, "new machine", "own.db");
        Directory.CreateDirectory(Path.GetDirectoryName(machine)!);
        var from = new Backups(machine, stick);
        new Backups(machine).Restore(from.All()[0].Name, Noon.AddDays(1), from);
        (await File.ReadAllBytesAsync(Sounds.Of(machine).PathOf(key))).ShouldBe("sound"u8.ToArray());
    }

    [Fact]
    public async Task What_was_let_go_stays_for_two_weeks_of_backups_and_then_goes()
    {
        var key = await RecordAsync(Book, "sound"u8.ToArray());
        var kept = await RecordAsync(Book, "kept"u8.ToArray());
        var strange = Guid.NewGuid();
        await AppendAsync(Sounds.Of(Book), strange, "of nobody"u8.ToArray());
        foreach (var one in new[] { key, kept, strange })
            File.SetLastWriteTimeUtc(Sounds.Of(Book).PathOf(one), DateTime.UtcNow.AddDays(-1));
        var backups = new Backups(Book);
        backups.Make(BackupKind.Daily, Noon);
        Sounds.Of(Book).All().Order().ShouldBe(new[] { key, kept }.Order());
        await using (var db = Open())
        {
            db.Recordings.Remove(db.Recordings.Single(row => row.Key == key));
            await db.SaveChangesAsync();
        }

        backups.Make(BackupKind.Daily, Noon.AddDays(14));
        Sounds.Of(Book).LengthOf(key).ShouldBe(5, "the backup of two weeks ago still has it");
        backups.Make(BackupKind.Daily, Noon.AddDays(15));
        Sounds.Of(Book).All().ShouldBe([kept]);
    }

    [Fact]
    public async Task While_a_book_is_set_aside_its_sound_stays()
    {
        var key = await RecordAsync(Book, "sound"u8.ToArray());
        File.SetLastWriteTimeUtc(Sounds.Of(Book).PathOf(key), DateTime.UtcNow.AddDays(-1));
        SqliteConnection.ClearAllPools();
        SafeFile.SetAside(Book, Noon);
        await PracticeFile.PrepareAsync(Book);
        new Backups(Book).Make(BackupKind.ByHand, Noon);
        Sounds.Of(Book).LengthOf(key).ShouldBe(5);
    }

    private PracticeDb Open() => new(PracticeFile.Options(Book));

    private static async Task AppendAsync(Sounds sounds, Guid key, byte[] bytes)
    {
        using var piece = new MemoryStream(bytes);
        await sounds.AppendAsync(key, 0, piece, CancellationToken.None);
    }

    private async Task<Guid> RecordAsync(string book, byte[] sound)
    {
        await PracticeFile.PrepareAsync(book);
        var key = Guid.NewGuid();
        await using (var db = Open())
        {
            db.Recordings.Add(
                new RecordingRow
                {
                    Key = key,
                    Day = new DateOnly(2031, 5, 14),
                    AtUtc = Noon,
                    Bytes = sound.Length,
                }
            );
            await db.SaveChangesAsync();
        }

        await AppendAsync(Sounds.Of(book), key, sound);
        return key;
    }

    /// <summary>A sender that leaves in the middle.</summary>
    private sealed class Torn : MemoryStream
    {
        private bool sent;

        public override ValueTask<int> ReadAsync(Memory<byte> buffer, CancellationToken cancellationToken = default)
        {
            if (sent)
                throw new IOException("gone");
            sent = true;
            buffer.Span[0] = 1;
            return ValueTask.FromResult(1);
        }
    }
}
