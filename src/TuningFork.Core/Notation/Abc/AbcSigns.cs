namespace TuningFork.Core.Notation;

/// <summary>Decorations of ABC by name, as what they mean at a note or in a bar (ABC 2.1, 4.14).</summary>
internal static class AbcSigns
{
    private static readonly Dictionary<string, Articulation> Articulations = new(StringComparer.OrdinalIgnoreCase)
    {
        ["staccato"] = Articulation.Staccato,
        ["tenuto"] = Articulation.Tenuto,
        ["accent"] = Articulation.Accent,
        [">"] = Articulation.Accent,
        ["emphasis"] = Articulation.Accent,
        ["marcato"] = Articulation.Marcato,
        ["^"] = Articulation.Marcato,
        ["wedge"] = Articulation.Staccatissimo,
    };

    private static readonly Dictionary<string, Marks> Others = new(StringComparer.OrdinalIgnoreCase)
    {
        ["fermata"] = Marks.Fermata,
        ["invertedfermata"] = Marks.Fermata,
        ["trill"] = Marks.Trill,
        ["tr"] = Marks.Trill,
        ["lowermordent"] = Marks.Mordent,
        ["mordent"] = Marks.Mordent,
        ["uppermordent"] = Marks.UpperMordent,
        ["pralltriller"] = Marks.UpperMordent,
        ["turn"] = Marks.Turn,
        ["turnx"] = Marks.Turn,
        ["invertedturn"] = Marks.InvertedTurn,
        ["invertedturnx"] = Marks.InvertedTurn,
        ["upbow"] = Marks.UpBow,
        ["downbow"] = Marks.DownBow,
        ["breath"] = Marks.Breath,
        ["arpeggio"] = Marks.Arpeggio,
        ["open"] = Marks.Open,
        ["plus"] = Marks.Plus,
        ["+"] = Marks.Plus,
        ["thumb"] = Marks.Thumb,
        ["snap"] = Marks.Plus,
        ["roll"] = Marks.Roll,
        ["slide"] = Marks.Slide,
        ["/"] = Marks.Tremolo,
        ["//"] = Marks.Tremolo,
        ["///"] = Marks.Tremolo,
    };

    private static readonly Dictionary<string, Hairpin> Hairpins = new(StringComparer.OrdinalIgnoreCase)
    {
        ["<("] = Hairpin.GrowsFrom,
        ["crescendo("] = Hairpin.GrowsFrom,
        ["<)"] = Hairpin.GrowsTo,
        ["crescendo)"] = Hairpin.GrowsTo,
        [">("] = Hairpin.FallsFrom,
        ["diminuendo("] = Hairpin.FallsFrom,
        [">)"] = Hairpin.FallsTo,
        ["diminuendo)"] = Hairpin.FallsTo,
    };

    private static readonly Dictionary<string, Way> Ways = new(StringComparer.OrdinalIgnoreCase)
    {
        ["segno"] = Way.Segno,
        ["coda"] = Way.Coda,
        ["fine"] = Way.Fine,
        ["dacoda"] = Way.ToCoda,
        ["tocoda"] = Way.ToCoda,
        ["D.C."] = Way.DaCapo,
        ["dacapo"] = Way.DaCapo,
        ["D.C.alfine"] = Way.DaCapo,
        ["D.C.alcoda"] = Way.DaCapo,
        ["D.S."] = Way.DalSegno,
        ["D.S.alfine"] = Way.DalSegno,
        ["D.S.alcoda"] = Way.DalSegno,
    };

    /// <summary>What a sign means for the way through the music; none for others.</summary>
    public static Way WayOf(string name) => Ways.GetValueOrDefault(name);

    /// <summary>An element with a sign; null where the sign is not known.</summary>
    public static Element? With(Element element, string name)
    {
        if (Articulations.TryGetValue(name, out var articulation))
            return element with { Articulation = element.Articulation | articulation };
        if (Others.TryGetValue(name, out var mark))
            return element with { Marks = element.Marks | mark };
        if (Hairpins.TryGetValue(name, out var hairpin))
            return element with { Hairpin = element.Hairpin | hairpin };
        if (Dynamics.IsKnown(name))
            return element with { Dynamic = name };
        return name.Length == 1 && name[0] is >= '0' and <= '5' ? element with { Finger = name[0] - '0' } : null;
    }

    /// <summary>The decorations of an element, in the order in which they are written.</summary>
    public static IEnumerable<string> Of(Element element)
    {
        if (element.Dynamic.Length > 0)
            yield return element.Dynamic;
        foreach (var (name, hairpin) in FirstNames(Hairpins))
            if (element.Hairpin.HasFlag(hairpin))
                yield return name;
        foreach (var (name, mark) in FirstNames(Others))
            if (element.Marks.HasFlag(mark))
                yield return name;
        foreach (var (name, articulation) in FirstNames(Articulations))
            if (articulation != Articulation.Staccato && element.Articulation.HasFlag(articulation))
                yield return name;
        if (element.Finger is { } finger)
            yield return finger.ToString(System.Globalization.CultureInfo.InvariantCulture);
    }

    /// <summary>The signs of a bar that stand at its end, or at its beginning.</summary>
    public static IEnumerable<string> Of(Way way, bool atEnd) =>
        FirstNames(Ways).Where(pair => way.HasFlag(pair.Value) && pair.Value is Way.Segno or Way.Coda != atEnd).Select(pair => pair.Name);

    private static IEnumerable<(string Name, T Value)> FirstNames<T>(Dictionary<string, T> all)
        where T : notnull => all.GroupBy(pair => pair.Value).Select(group => (group.First().Key, group.Key));
}
