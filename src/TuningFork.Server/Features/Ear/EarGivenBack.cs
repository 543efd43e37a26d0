using TuningFork.Core.EarTraining;
using TuningFork.Core.SightReading;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Server.Features.Reading;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Ear;

/// <summary>Marks what was given back: a rhythm by taps, a line by its notes.</summary>
internal static class EarGivenBack
{
    private const int MostTaps = 200;
    private const double MostDelayMs = 1000;

    /// <summary>Null where it was chosen or judged by oneself.</summary>
    public static async Task<EarMarkedView?> MarkAsync(
        PracticeDb db,
        EarAnswerWish wish,
        EarItem item,
        DateOnly day,
        int centre,
        CancellationToken cancel
    )
    {
        if (wish.Taps is null && wish.Notes is null)
            return null;
        if (
            (wish.Taps is not null) != (item.Family == EarFamily.RhythmEcho)
            || (wish.Notes is not null) != (item.Family == EarFamily.Lines)
        )
            throw new FieldException(wish.Taps is null ? "notes" : "taps", $"{item.Name} is not answered like that.");
        // The question was made from how many were answered before it.
        var request = await EarDesk.RequestAsync(db, day, [], [], cancel);
        var level = item.Key[^1] - '0';
        return wish.Taps is { } taps ? Tapped(taps, wish.DelayMs, level, request.Seed) : Given(wish.Notes!, level, request.Seed, centre);
    }

    private static EarMarkedView Tapped(IReadOnlyList<double> taps, double delayMs, int level, int seed)
    {
        if (taps.Count > MostTaps || taps.Any(tap => !double.IsFinite(tap)) || !(Math.Abs(delayMs) <= MostDelayMs))
            throw new FieldException("taps", $"Taps are times in beats, {MostTaps} at most.");
        var marked = Follow.Of(
            EarLines.Rhythm(level, seed),
            new Bpm(EarLines.EchoTempo),
            taps.Select(tap => new PlayedEvent(tap)),
            delayMs
        );
        var right = marked.Notes.Count(note => note.IsRight);
        var words = PlayedEndpoints.Words(marked);
        return new EarMarkedView(
            marked.Wrong.Count == 0,
            $"{right} of {marked.Notes.Count} strokes in time{(marked.Wrong.Count > 0 && right == marked.Notes.Count ? ", and some too many" : "")}. {words}".Trim()
        );
    }

    private static EarMarkedView Given(IReadOnlyList<int> notes, int level, int seed, int centre)
    {
        var line = EarLines.Degrees(level, seed);
        if (notes.Count != line.Count || notes.Any(note => note is < 0 or > 127))
            throw new FieldException("notes", $"A line has {line.Count} notes, each a MIDI number from 0 to 127.");
        var given = string.Join(' ', EarLines.Given(notes, line, EarGround.Round(centre, seed).Home));
        var asked = string.Join(' ', line);
        return new EarMarkedView(given == asked, given == asked ? asked : $"{asked}; you gave {given}");
    }
}
