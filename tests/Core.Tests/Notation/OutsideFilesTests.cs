using Shouldly;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

/// <summary>Music files that others made, note by note against outside readers.</summary>
public sealed class OutsideFilesTests
{
    /// <summary>All files of the folder that the environment names; what is printed are the figures (scripts/long/music-files).</summary>
    [Fact(Explicit = true)]
    public void All_files_of_a_folder()
    {
        var results = OutsideFiles.Compare(Environment.GetEnvironmentVariable("MUSIC_FILES")!);
        foreach (var kind in results.GroupBy(result => result.Name.Split(' ')[0].Split('.')[^1]))
        {
            var sound = kind.Where(result => !result.IsBroken).ToList();
            var taken = sound.Where(result => result.Refused.Length == 0).ToList();
            Console.WriteLine(
                $"{kind.Key}: {kind.Count()} parts, {kind.Count(one => one.IsBroken)} that the outside reader refuses; of the others {taken.Count} of {sound.Count} taken, {taken.Count(one => one.Differs.Length == 0)} of {taken.Count} with the same notes"
            );
            foreach (var one in sound.Where(one => one.Refused.Length > 0))
                Console.WriteLine($"  REFUSED {one.Name}: {one.Refused}");
            foreach (var one in taken.Where(one => one.Differs.Length > 0))
                Console.WriteLine($"  DIFFERS {one.Name}: {one.Differs}");
            foreach (var one in kind.Where(one => one.IsBroken && one.Refused.Length > 0))
                Console.WriteLine($"  both refuse {one.Name}: {one.Refused}");
        }

        results.ShouldNotBeEmpty();
    }
}
