using System.Globalization;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.Practice;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Repertoire;

/// <summary>The music of pieces: kept, cut out and varied.</summary>
public sealed class MusicDesk(PracticeDb db)
{
    /// <summary>The music of a piece, or null when it has none.</summary>
    public async Task<Score?> OfPieceAsync(int piece, CancellationToken cancel)
    {
        var abc = await db.Music.AsNoTracking().Where(row => row.MaterialId == piece).Select(row => row.Abc).FirstOrDefaultAsync(cancel);
        return abc is null ? null : AbcReader.Read(abc).Score;
    }

    /// <summary>The bars of a passage, as written or as one of its variants; null when there is no music for them.</summary>
    public async Task<Score?> OfPassageAsync(int material, string variant, CancellationToken cancel)
    {
        var row = await db.Materials.AsNoTracking().Where(row => row.Id == material && row.Kind == MaterialKind.Passage).Select(row => new { row.PieceId, row.FromBar, row.ToBar }).FirstOrDefaultAsync(cancel);
        if (row?.PieceId is not { } piece || await OfPieceAsync(piece, cancel) is not { } whole || !Holds(whole, row.FromBar, row.ToBar))
            return null;
        var bars = Excerpt.Of(whole, row.FromBar, row.ToBar);
        if (variant.Length == 0)
            return bars;
        if (variant.StartsWith("key", StringComparison.Ordinal) && int.TryParse(variant.AsSpan(3), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var semitones))
            return VariantMaker.InKey(bars, bars.Key.Plus(Interval.OfSemitones(semitones)));
        return VariantMaker.Ids.Contains(variant, StringComparer.Ordinal) && VariantMaker.Make(bars, variant) is { Steps: [.., var last] } made
            ? made.Id.StartsWith("silent", StringComparison.Ordinal) ? made.Steps[0] : last
            : bars;
    }

    public static bool Holds(Score score, int from, int to) => from >= Excerpt.FirstBar(score) && to < score.Bars.Count + Excerpt.FirstBar(score) && from <= to;

    /// <summary>Reads what was sent: ABC text, a MusicXML file, plain or packed, or a MIDI file.</summary>
    public static ReadMusic Read(byte[] file, Instrument instrument)
    {
        try
        {
            var start = System.Text.Encoding.UTF8.GetString(file.AsSpan(0, Math.Min(file.Length, 400))).TrimStart('\uFEFF', ' ', '\n', '\r', '\t');
            if (start.StartsWith("MThd", StringComparison.Ordinal))
                return MidiReader.Read(file, instrument);
            return start.StartsWith('<') || start.StartsWith("PK", StringComparison.Ordinal) ? MusicXmlReader.Read(file) : AbcReader.Read(System.Text.Encoding.UTF8.GetString(file), instrument.Clef);
        }
        catch (AbcException problem)
        {
            throw new FieldException("file", problem.Message);
        }
        catch (MusicFileException problem)
        {
            throw new FieldException("file", problem.Message);
        }
    }
}
