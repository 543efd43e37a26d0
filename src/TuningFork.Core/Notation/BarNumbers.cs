using System.Globalization;

namespace TuningFork.Core.Notation;

/// <summary>The numbers that a file prints above its bars.</summary>
internal static class BarNumbers
{
    /// <summary>For each bar its number where it is not the one that follows by itself (see <see cref="Score.Numbers"/>); else null.</summary>
    /// <param name="given">What the file says: a text, and whether the bar is not counted.</param>
    /// <param name="partial">Whether each bar has a length of its own.</param>
    public static IReadOnlyList<int?> Of(IReadOnlyList<(string Number, bool IsImplicit)> given, IReadOnlyList<bool> partial)
    {
        var numbers = new int[given.Count];
        for (var i = 0; i < numbers.Length; i++)
        {
            var own = int.TryParse(given[i].Number, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : (int?)null;
            numbers[i] =
                i == 0 ? own ?? (given[i].IsImplicit || (partial[i] && numbers.Length > 1) ? 0 : 1)
                : given[i].IsImplicit && (own is null || own < numbers[i - 1]) ? numbers[i - 1]
                : own ?? numbers[i - 1] + 1;
        }

        // Numbers that begin anew or jump back name no place: then they are counted.
        var isUsable = numbers.Zip(numbers.Skip(1)).All(pair => pair.Second >= pair.First && pair.Second - pair.First < 1000);
        var result = new int?[numbers.Length];
        for (var i = 0; i < result.Length && isUsable; i++)
        {
            var usual =
                i > 0 ? numbers[i - 1] + 1
                : result.Length > 1 && partial[0] ? 0
                : 1;
            result[i] = numbers[i] == usual ? null : numbers[i];
        }

        return result;
    }
}
