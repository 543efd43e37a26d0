namespace TuningFork.Core.Recordings;

/// <summary>
/// Which recordings go when there are more than there is room for. The first and the newest of each thing stay, what was marked stays,
/// and what was added by hand stays; of the others the one goes first that has others nearest to it in time, so that what is left
/// lies spread over the weeks (common practice: keep the first take, compare after some days).
/// </summary>
public static class Thinning
{
    /// <summary>The rule in a sentence, as it is shown.</summary>
    public const string Rule =
        "The first and the newest of each thing stay, what you marked and what you added by hand too. Of the others those go first that have another nearest in time.";

    /// <summary>Numbers of the recordings that have to go, in the order in which they go; none when there is room.</summary>
    /// <param name="all">All recordings.</param>
    /// <param name="most">Bytes that all of them may take.</param>
    /// <exception cref="ArgumentOutOfRangeException">The room is below zero.</exception>
    public static IReadOnlyList<int> Gone(IReadOnlyCollection<KeptRecording> all, long most)
    {
        ArgumentNullException.ThrowIfNull(all);
        ArgumentOutOfRangeException.ThrowIfNegative(most);
        var used = all.Sum(one => one.Bytes);
        var gone = new List<int>();
        if (used <= most)
            return gone;
        var things = all.Where(one => one.MaterialId is not null && one.Kind != RecordingKind.Song)
            .GroupBy(one => one.MaterialId)
            .Select(group => new LinkedList<KeptRecording>(group.OrderBy(one => one.AtUtc).ThenBy(one => one.Id)))
            .ToList();
        var waiting = new PriorityQueue<(LinkedListNode<KeptRecording> Node, TimeSpan Gap), (TimeSpan Gap, DateTime At, int Id)>();
        foreach (var node in things.SelectMany(NodesOf))
            Wait(node);
        while (used > most && waiting.TryDequeue(out var next, out _))
        {
            var (node, gap) = next;
            // It went already, or a neighbour went and it waits anew with a wider gap.
            if (node.List is not { } list || gap != GapOf(node))
                continue;
            var (before, after) = (node.Previous!, node.Next!);
            list.Remove(node);
            gone.Add(node.Value.Id);
            used -= node.Value.Bytes;
            Wait(before);
            Wait(after);
        }

        return gone;

        void Wait(LinkedListNode<KeptRecording> node)
        {
            if (node is { Previous: not null, Next: not null, Value: { IsMarked: false, Kind: RecordingKind.Take } one })
                waiting.Enqueue((node, GapOf(node)), (GapOf(node), one.AtUtc, one.Id));
        }
    }

    /// <summary>The gap that would be there without it.</summary>
    private static TimeSpan GapOf(LinkedListNode<KeptRecording> node) => node.Next!.Value.AtUtc - node.Previous!.Value.AtUtc;

    private static IEnumerable<LinkedListNode<KeptRecording>> NodesOf(LinkedList<KeptRecording> list)
    {
        for (var node = list.First; node is not null; node = node.Next)
            yield return node;
    }
}
