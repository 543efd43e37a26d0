using System.Text;
using Shouldly;
using TuningFork.Core.Practice;
using TuningFork.Core.Recordings;
using TuningFork.Core.Tempo;
using Xunit;

namespace TuningFork.Core.Tests.Recordings;

/// <summary>How long a recording runs, what is offered after days, and what a file is.</summary>
public sealed class RecordingTests
{
    private static readonly Target Waltz = new()
    {
        Key = "m:1",
        Title = "Waltz, 17–20",
        FromBar = 17,
        StopAfterBar = 20,
        Tempo = new Bpm(90),
        // Four bars of three beats at 90 are eight seconds.
        TakeSeconds = Takes.Seconds(4, 3, new Bpm(90)),
    };

    private static Cue At(int tempo, int? stop = null) =>
        new()
        {
            Title = "",
            Sentence = "",
            Tempo = new Bpm(tempo),
            CountsTakes = true,
            StopAfterBar = stop,
        };

    [Theory]
    [InlineData(90, null, 10.0)]
    [InlineData(60, null, 15.0)]
    [InlineData(90, 18, 6.0)]
    public void A_take_and_a_bar_more(int tempo, int? stop, double seconds) =>
        RecordingLength.Seconds(Waltz, At(tempo, stop), 3)!.Value.ShouldBe(seconds, 0.01);

    [Fact]
    public void What_has_no_end_of_its_own_is_ended_by_the_player()
    {
        RecordingLength.Seconds(Waltz, At(90) with { Tempo = null }, 3).ShouldBeNull();
        RecordingLength.Seconds(Waltz, At(90) with { CountsTakes = false }, 3).ShouldBeNull();
        RecordingLength.Seconds(Waltz with { TakeSeconds = 0 }, At(90), 3).ShouldBeNull();
        RecordingLength.Seconds(Waltz with { TakeSeconds = 100_000 }, At(90), 3).ShouldBe(RecordingLength.MostSeconds);
    }

    [Theory]
    [InlineData(0, 0, 0, 6, ApartOffer.None, 0)]
    [InlineData(0, 0, 0, 7, ApartOffer.Record, 7)]
    [InlineData(0, 7, 0, 7, ApartOffer.Compare, 7)]
    [InlineData(0, 9, 9, 27, ApartOffer.None, 0)]
    [InlineData(0, 9, 9, 28, ApartOffer.Record, 28)]
    [InlineData(0, 30, 9, 30, ApartOffer.Compare, 28)]
    // Away for a month in between: only the longer step is offered.
    [InlineData(0, 40, 0, 40, ApartOffer.Compare, 28)]
    [InlineData(0, 40, 40, 400, ApartOffer.None, 0)]
    public void After_a_week_and_after_four(int first, int newest, int compared, int today, ApartOffer offer, int step)
    {
        var begin = new DateOnly(2031, 5, 1);
        DaysApart.Of(begin.AddDays(first), begin.AddDays(newest), compared, begin.AddDays(today)).ShouldBe((offer, step));
    }

    public static TheoryData<string, string?> Heads =>
        new()
        {
            // First bytes of common files: RFC 9639, RFC 3533, RFC 9559, ISO/IEC 14496-12, ISO/IEC 11172-3, RIFF 1991 (from memory).
            { "52494646 24080000 57415645 666d7420", "audio/wav" },
            { "664c6143 00000022", "audio/flac" },
            { "4f676753 0002", "audio/ogg" },
            { "1a45dfa3 9f428681 01428282 84 7765626d", "video/webm" },
            { "1a45dfa3 a34286 8101 4282 88 6d6174726f736b61", "video/x-matroska" },
            { "00000020 66747970 4d344120 00000000", "audio/mp4" },
            { "00000018 66747970 6d703432 00000000", "video/mp4" },
            { "00000014 66747970 71742020 00000000", "video/quicktime" },
            { "494433 04 00", "audio/mpeg" },
            { "fffb9064 0000", "audio/mpeg" },
            { "fff15080 0000", "audio/aac" },
            { "ffff", "audio/mpeg" },
            { "ffe0", null },
            { "52494646 24080000 41564920 4c495354", null },
            { Convert.ToHexString(Encoding.ASCII.GetBytes("<html><script>")), null },
            { "", null },
        };

    [Theory]
    [MemberData(nameof(Heads))]
    public void A_file_is_what_its_first_bytes_say(string head, string? type) =>
        SoundFile.TypeOf(Convert.FromHexString(head.Replace(" ", "", StringComparison.Ordinal))).ShouldBe(type);
}
