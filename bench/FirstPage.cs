using System.Text.RegularExpressions;

namespace TuningFork.Bench;

/// <summary>
/// Script of the first page as it goes over the wire: what index.html names and everything that imports, packed when it was built.
/// </summary>
internal static partial class FirstPage
{
    public static void Print(string dist)
    {
        var assets = Path.Combine(dist, "assets");
        var open = new Queue<string>(Directory.GetFiles(assets, "index-*.js"));
        var seen = new HashSet<string>(StringComparer.Ordinal);
        var bytes = 0L;
        while (open.TryDequeue(out var file))
        {
            if (!seen.Add(file))
                continue;
            bytes += new FileInfo($"{file}.br").Length;
            foreach (Match import in StaticImport().Matches(File.ReadAllText(file)))
                open.Enqueue(Path.Combine(assets, import.Groups["file"].Value));
        }

        Console.WriteLine($"first page         {bytes / 1000.0:0} kB of script (brotli) in {seen.Count} files   (goal: under 200 kB)");
    }

    [GeneratedRegex("""(from|import)\s*["']\./(?<file>[^"']+\.js)["']""", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex StaticImport();
}
