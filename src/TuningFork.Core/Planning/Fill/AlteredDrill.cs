using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>
/// Drills of altered versions: each in turn, and every round ends with one take as written, the only one that counts for the memory.
/// </summary>
internal static class AlteredDrill
{
    private const int MostRounds = 3;

    private static readonly Dictionary<string, (string Id, string Name)[]> Versions = new(StringComparer.Ordinal)
    {
        [Methods.EqualValues.Id] = [("equal-values", "all notes alike")],
        [Methods.RhythmVariants.Id] =
        [
            ("long-short", "long-short"),
            ("short-long", "short-long"),
            ("long-short-short", "long-short-short"),
        ],
        [Methods.RhythmAlone.Id] = [("rhythm-alone", "the rhythm on one note")],
        [Methods.GrowingChain.Id] = [("chain", "note by note from the start"), ("chain-end", "note by note from the end")],
        [Methods.SilentBars.Id] =
        [
            ("silent-bars", "every other bar silent, then swapped"),
            ("silent-beats", "every other beat"),
            ("silent-notes", "every other note"),
        ],
        [Methods.SingFirst.Id] = [("sing", "sing it")],
        [Methods.HandsSeparately.Id] = [("one", "one hand or voice"), ("other", "the other")],
        [Methods.EyesClosed.Id] = [("closed", "eyes closed, slowly")],
        [Methods.OtherKeys.Id] = [("key+2", "a tone higher"), ("key-2", "a tone lower"), ("key+5", "a fourth higher")],
        [Methods.MelodyOnly.Id] = [("melody-only", "only the top line")],
    };

    /// <summary>Whether a method plays altered versions.</summary>
    public static bool Is(Method method) => Versions.ContainsKey(method.Id);

    public static Drill Of(FillContext context, Area area, Method method, Material material, int minutes, string reason)
    {
        var written = context.TargetOf(material);
        var slower = written.Tempo?.Plus(-written.Tempo.Value.Value / 5);
        // One bar has no other to take turns with.
        var versions = Versions[method.Id]
            .Where(version => version.Id != "silent-bars" || material.Bars > 1)
            .Select(version =>
                written with
                {
                    Key = TargetKey.Of(material.Id, TargetPart.Variant, version.Id),
                    MaterialId = null,
                    Title = $"{material.ShortTitle}: {version.Name}",
                    Tempo = slower,
                    Able = null,
                    Goal = null,
                }
            )
            .ToList();
        List<Target> targets = [.. versions, written with { Title = $"{written.Title}, as written" }];
        var rounds = Math.Clamp(Takes.RoundsThatFit(minutes * 60, targets.Select(target => target.TakeSeconds)), 1, MostRounds);
        return context.Make(area, method, material.Title, minutes, reason, targets) with
        {
            Sequence = [.. Enumerable.Repeat(Enumerable.Range(0, targets.Count), rounds).SelectMany(round => round)],
            Sum = $"{Words.Count(versions.Count, "version")}, then as written{(rounds > 1 ? $", {rounds} rounds" : "")}",
        };
    }
}
