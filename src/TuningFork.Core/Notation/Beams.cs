namespace TuningFork.Core.Notation;

/// <summary>Which notes share a beam: those shorter than a quarter that lie within one beat.</summary>
internal static class Beams
{
    /// <summary>For each element of a bar the number of its beam group, or -1 for none. Groups of one are none.</summary>
    public static int[] Groups(Bar bar, TimeSignature time, Fraction offset)
    {
        var groups = new int[bar.Elements.Count];
        var at = offset;
        var beat = time.Beat;
        var last = (Group: -1, Beat: -1L);
        var next = 0;
        for (var i = 0; i < groups.Length; i++)
        {
            var element = bar.Elements[i];
            var place = (at / beat).Numerator / (at / beat).Denominator;
            var short_ = !element.IsRest && element.Written < new Fraction(1, 4);
            if (short_ && last.Group >= 0 && last.Beat == place)
                groups[i] = last.Group;
            else
                groups[i] = short_ ? next++ : -1;
            last = (groups[i], place);
            at += element.Length;
        }

        for (var i = 0; i < groups.Length; i++)
        {
            if (groups[i] >= 0 && groups.Count(group => group == groups[i]) == 1)
                groups[i] = -1;
        }

        return groups;
    }
}
