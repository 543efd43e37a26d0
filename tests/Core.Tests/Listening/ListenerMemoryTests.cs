using Shouldly;
using TuningFork.Core.Listening;
using Xunit;

namespace TuningFork.Core.Tests.Listening;

/// <summary>Runs alone: the memory is that of the whole process, and other tests would be counted with it.</summary>
[Collection(nameof(ListenerMemoryTests))]
[CollectionDefinition(nameof(ListenerMemoryTests), DisableParallelization = true)]
public class ListenerMemoryTests
{
    [Fact]
    public void Half_an_hour_is_kept_in_little_room()
    {
        var listener = new NoteListener(16_000);
        var minute = new float[16_000 * 20];
        for (var i = 0; i < minute.Length; i++)
            minute[i] = (float)(0.3 * Math.Sin(2 * Math.PI * 440 * i / 16_000) * (i % 8_000 < 5_000 ? 1 : 0));
        listener.Add(minute);
        var before = GC.GetTotalMemory(forceFullCollection: true);
        for (var i = 0; i < 9; i++)
            listener.Add(minute);
        // Three minutes more; half an hour takes at most ten times as much.
        (GC.GetTotalMemory(forceFullCollection: true) - before).ShouldBeLessThan(6_000_000);
        listener.Count.ShouldBeInRange(380, 420);
    }
}
