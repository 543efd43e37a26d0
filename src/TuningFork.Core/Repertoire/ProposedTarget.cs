using TuningFork.Core.Notation;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Repertoire;

/// <summary>A target tempo proposed from the notes of a piece that has none.</summary>
/// <param name="Tempo">Tempo in the beats of the piece.</param>
/// <param name="Marked">True when the music carries a tempo of its own; false when it follows from how many notes its bars have.</param>
public sealed record ProposedTarget(Bpm Tempo, bool Marked)
{
    /// <summary>
    /// Notes a minute in the denser bars where no tempo is given: sixteenths at 75, eighths at 150 (a moderate speed, from memory).
    /// </summary>
    public const int NotesAMinute = 300;

    private const int Slowest = 60;
    private const int Fastest = 132;
    private const double DenserThan = 0.8;

    /// <summary>
    /// The tempo given in the music, in the beats of the piece; else the one at which its denser bars go at a moderate speed, 60 to 132.
    /// </summary>
    /// <param name="score">The music.</param>
    /// <param name="beat">What the tempo of the piece counts, as a part of a whole note.</param>
    /// <returns>Null when nothing is to be played in it.</returns>
    public static ProposedTarget? Of(Score score, Fraction beat)
    {
        ArgumentNullException.ThrowIfNull(score);
        if (score.Tempo is { } marked)
            return new(Bpm.Near(marked.Value * (score.TempoBeat / beat).Value), true);
        var densities = score.Bars.Select(bar => Onsets(bar) / (bar.Length / beat).Value).Where(density => density > 0).Order().ToList();
        return densities.Count == 0
            ? null
            : new(Bpm.Near(Math.Clamp(NotesAMinute / densities[(int)(densities.Count * DenserThan)], Slowest, Fastest)), false);
    }

    private static int Onsets(Bar bar) =>
        bar.Elements.Where((element, place) => !element.IsRest && !(place > 0 && bar.Elements[place - 1].Tied)).Count();
}
