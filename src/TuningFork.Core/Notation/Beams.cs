namespace TuningFork.Core.Notation;

/// <summary>
/// Which notes share a beam: as the music says it, and where it does not, those shorter than a quarter that lie within one beat, and
/// eighths within half of a bar.
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

        Halves(bar, time, offset, groups);
        for (var i = 0; i < groups.Length; i++)
        {
            var isAlone = (i == 0 || groups[i - 1] != groups[i]) && (i + 1 == groups.Length || groups[i + 1] != groups[i]);
            if (isAlone)
                groups[i] = -1;
        }

        return groups;
    }

    /// <summary>Four plain eighths that fill half of a bar of four quarters, or a bar of two, share one beam (common practice).</summary>
    private static void Halves(Bar bar, TimeSignature time, Fraction offset, int[] groups)
    {
        if (time is not { Unit: 4, Beats: 2 or 4, Groups: "" } || time.IsFree)
            return;
        var at = offset;
        for (var i = 0; i < groups.Length; i++)
        {
            var beginsHalf = (at / new Fraction(1, 2)).Denominator == 1;
            if (beginsHalf && i + 4 <= groups.Length && bar.Elements.Skip(i).Take(4).All(IsPlainEighth))
                Array.Fill(groups, groups[i], i, 4);
            at += bar.Elements[i].Length;
        }
    }

    private static bool IsPlainEighth(Element element) =>
        element is { IsRest: false, Tuplet: null, Beamed: null } && element.Written == new Fraction(1, 8);
}
