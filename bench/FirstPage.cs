using System.IO.Compression;
using System.Text.RegularExpressions;

namespace TuningFork.Bench;

/// <summary>Compressed script of the first page: what index.html names and everything the page of today imports.</summary>
internal static partial class FirstPage
{
    public static void Print(string dist)
    {
        var assets = Path.Combine(dist, "assets");
        var open = new Queue<string>(Directory.GetFiles(assets, "index-*.js").Concat(Directory.GetFiles(assets, "TodayPage-*.js")));
        var seen = new HashSet<string>(StringComparer.Ordinal);
        var bytes = 0L;
        while (open.TryDequeue(out var file))
        {
            if (!seen.Add(file))
                continue;
            using var packed = new MemoryStream();
            using (var gzip = new GZipStream(packed, CompressionLevel.Optimal, leaveOpen: true))
                gzip.Write(File.ReadAllBytes(file));
            bytes += packed.Length;
            foreach (Match import in StaticImport().Matches(File.ReadAllText(file)))
                open.Enqueue(Path.Combine(assets, import.Groups["file"].Value));
        }

        Console.WriteLine($"first page         {bytes / 1000.0:0} kB of gzipped script in {seen.Count} files   (goal: under 300 kB)");
    }

    [GeneratedRegex("""(from|import)\s*["']\./(?<file>[^"']+\.js)["']""", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex StaticImport();
}
