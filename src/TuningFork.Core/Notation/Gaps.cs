namespace TuningFork.Core.Notation;

/// <summary>Silence that fills a bar or the time before a note.</summary>
internal static class Gaps
{
    /// <summary>Silence of some length, in as many rests as it takes; what no rests can show is rounded.</summary>
    public static IReadOnlyList<Element> Of(Fraction length, bool hidden) =>
        Tuplets.Rests(length, hidden)
        ?? [.. (Values.TryCut(length) ?? Values.Cut(Rounded(length))).Select(part => Element.Rest(part) with { IsHidden = hidden })];

    /// <summary>The nearest length that can be written, at least the shortest.</summary>
    public static Fraction Rounded(Fraction length) => new(Math.Max(1, (long)Math.Round(length.Value * 256)), 256);
}
