namespace TuningFork.Core.Notation;

/// <summary>Music of one player: voices of the same bars, on one staff or more.</summary>
/// <param name="Voices">The voices, those of the upper staff first; the first one leads: it is practised where only one line can be.</param>
public sealed record Music(IReadOnlyList<Score> Voices)
{
    /// <summary>The voice that leads.</summary>
    public Score Lead => Voices[0];

    /// <summary>How many staves it has.</summary>
    public int Staves => Voices.Max(voice => voice.Staff) + 1;

    /// <summary>The voices of one staff, as music of their own.</summary>
    /// <param name="staff">The staff, from the top and from 0.</param>
    /// <exception cref="ArgumentOutOfRangeException">There is no such staff.</exception>
    public Music OfStaff(int staff)
    {
        var voices = Voices.Where(voice => voice.Staff == staff).Select(voice => voice with { Staff = 0 }).ToList();
        return voices.Count > 0
            ? new Music(voices)
            : throw new ArgumentOutOfRangeException(nameof(staff), staff, "There is no such staff.");
    }

    /// <summary>The same with each voice changed.</summary>
    /// <param name="change">What becomes of a voice; bars must stay as many in each.</param>
    public Music Each(Func<Score, Score> change) => new([.. Voices.Select(change)]);

    /// <summary>What is wrong with it, each with the index of its bar from 1.</summary>
    public IReadOnlyList<(int Bar, string Problem)> Check() => [.. ScoreCheck.Check(this).OrderBy(one => one.Bar)];
}
