namespace TuningFork.Core.EarTraining;

/// <summary>What a day's plan has to know of the ear.</summary>
/// <param name="Open">Items that have been asked.</param>
/// <param name="Due">Those whose day has come.</param>
/// <param name="Confused">The pair that is taken for each other most often; null when there is none.</param>
public sealed record EarDigest(int Open, int Due, Confusion? Confused)
{
    /// <summary>Longer names of a pair stand on the page of the ear, not in a reason.</summary>
    private const int MostWords = 5;

    /// <summary>Nothing was asked yet.</summary>
    public static EarDigest None { get; } = new(0, 0, null);

    /// <summary>Why a round is worth its minutes today, in a few words.</summary>
    public string Reason =>
        Open == 0 ? "first round: two of each to begin"
        : Due > 0 ? $"{Due} due{(Pair.Length > 0 ? $"; {Pair}" : "")}"
        : Pair.Length > 0 ? Pair
        : "nothing due: the least sure, and new";

    /// <summary>A bare figure says too little.</summary>
    private static string Of(EarFamily family) => family is EarFamily.DegreesMajor or EarFamily.DegreesMinor ? "degrees " : "";

    private string Pair =>
        Confused is not { } pair ? ""
        : $"{Of(pair.One.Family)}{pair.One.Answer} / {pair.Other.Answer} confused" is var words && words.Split(' ').Length <= MostWords + 1
            ? words
        : "a pair is confused";
}
