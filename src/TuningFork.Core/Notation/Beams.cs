namespace TuningFork.Core.Notation;

/// <summary>
/// Which notes share a beam: as the music says it, and where it does not, those shorter than a quarter that lie within one beat.
/// </summary>
internal static class Beams
{
    /// <summary>For each element of a bar the number of its beam group, or -1 for none. Groups of one are none.</summary>
    public static int[] Groups(Bar bar, TimeSignature time, Fraction offset)
    {
        var groups = new int[bar.Elements.Count];
        var at = offset;
        var last = (Group: -1, Beat: -1);
        var next = 0;
        for (var i = 0; i < groups.Length; i++)
        {
            var element = bar.Elements[i];
            var beat = time.BeatAt(at);
            var isShort = !element.IsRest && element.Written < new Fraction(1, 4);
            var isJoined = i > 0 && (bar.Elements[i - 1].Beamed ?? last.Beat == beat);
            groups[i] =
                !isShort ? -1
                : last.Group >= 0 && isJoined ? last.Group
                : next++;
            last = (groups[i], beat);
            at += element.Length;
        }

        for (var i = 0; i < groups.Length; i++)
        {
            var isAlone = (i == 0 || groups[i - 1] != groups[i]) && (i + 1 == groups.Length || groups[i + 1] != groups[i]);
            if (isAlone)
                groups[i] = -1;
        }

        return groups;
    }
}
