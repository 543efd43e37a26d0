using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>
/// Which notes of a bar need their accidental written. An accidental holds for its line until the bar ends; one that would be
/// read otherwise by those who let it hold for all octaves is written too (a courtesy; common practice).
/// </summary>
internal sealed class Accidentals(Key key)
{
    private readonly Dictionary<Step, int> letters = [];
    private readonly Dictionary<int, int> lines = [];

    /// <summary>True when the accidental of this note, a natural too, has to stand before it.</summary>
    public bool Needed(Pitch pitch)
    {
        var wanted = pitch.Name.Alteration;
        var signature = key.AlterationOf(pitch.Name.Step);
        var onLine = lines.GetValueOrDefault(pitch.Diatonic, signature);
        var onLetter = letters.GetValueOrDefault(pitch.Name.Step, signature);
        var needed = onLine != wanted || onLetter != wanted;
        if (needed)
        {
            lines[pitch.Diatonic] = wanted;
            letters[pitch.Name.Step] = wanted;
        }

        return needed;
    }
}
