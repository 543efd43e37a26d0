namespace TuningFork.Core.Notation;

/// <summary>A line of a bar: one element after the other, without gaps.</summary>
internal sealed record Line(int Staff, int Number, List<Element> Elements);

/// <summary>Puts the notes of a bar, each with its place, into lines in which one follows the other.</summary>
internal static class MusicXmlLines
{
    /// <summary>Places that lie so near to each other are the same: programs round lengths to whole ticks.</summary>
    private static readonly Fraction Near = new(1, 200);

    /// <summary>Lines of one staff at most; more is no music for a player.</summary>
    private const int Most = 8;

    /// <summary>The lines of a bar. Each voice keeps its line; what does not fit there goes to one that is free.</summary>
    /// <param name="placed">All of the bar.</param>
    /// <param name="home">Which line of its staff a voice had before; is added to.</param>
    /// <exception cref="MusicFileException">More sounds at once than can be written.</exception>
    public static List<Line> Of(IReadOnlyList<Placed> placed, Dictionary<(int Staff, string Voice), int> home)
    {
        var lines = new List<Line>();
        foreach (var staff in placed.GroupBy(one => one.Staff).OrderBy(group => group.Key))
        {
            var ends = new List<Fraction>();
            var own = new List<Line>();
            var voices = Homes([.. staff.Select(one => one.Voice).Distinct(StringComparer.Ordinal)], staff.Key, home);
            foreach (var one in staff.OrderBy(note => note.At).ThenBy(note => voices[note.Voice]))
            {
                var number = voices[one.Voice];
                if (End(number) - Near > one.At)
                    number = Enumerable
                        .Range(0, Most)
                        .Where(free => End(free) - Near <= one.At && !voices.ContainsValue(free))
                        .DefaultIfEmpty(-1)
                        .First();
                if (number < 0)
                    number = Enumerable.Range(0, Most).Where(free => End(free) - Near <= one.At).DefaultIfEmpty(-1).First();
                if (number < 0)
                    throw new MusicFileException("More notes sound at once than can be written on one staff. Export the part again.");
                while (own.Count <= number)
                {
                    own.Add(new Line(staff.Key, own.Count, []));
                    ends.Add(Fraction.Zero);
                }

                if (one.At - ends[number] > Near)
                    own[number].Elements.AddRange(Gaps.Of(one.At - ends[number], number > 0 || voices.Count > 1));
                var start = one.At - ends[number] > Near ? one.At : ends[number];
                own[number].Elements.AddRange(Heads.Of(one.Element) ?? [one.Element]);
                ends[number] = start + one.Element.Length;
            }

            lines.AddRange(own.Where(line => line.Elements.Count > 0));

            Fraction End(int number) => number < ends.Count ? ends[number] : Fraction.Zero;
        }

        return lines;
    }

    /// <summary>The line of each voice of a staff in this bar: the one it had, or the first that no other has.</summary>
    private static Dictionary<string, int> Homes(List<string> voices, int staff, Dictionary<(int Staff, string Voice), int> home)
    {
        var taken = voices
            .Where(voice => home.ContainsKey((staff, voice)))
            .ToDictionary(voice => voice, voice => home[(staff, voice)], StringComparer.Ordinal);
        // Two that had the same line at other times, or one alone that is not the first: as they come.
        if (taken.Values.Distinct().Count() < taken.Count || (voices.Count == 1 && taken.Count == 1 && taken[voices[0]] > 0))
            taken.Clear();
        foreach (var voice in voices.Where(voice => !taken.ContainsKey(voice)))
        {
            var free = 0;
            while (taken.ContainsValue(free))
                free++;
            taken[voice] = free;
        }

        foreach (var (voice, line) in taken)
            home[(staff, voice)] = line;
        return taken;
    }
}
