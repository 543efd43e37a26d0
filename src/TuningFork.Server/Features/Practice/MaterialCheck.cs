using TuningFork.Core.Notation;
using TuningFork.Core.Practice;
using TuningFork.Core.Theory;
using TuningFork.Data.Rows;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Practice;

/// <summary>What cannot be entered, with the field and the remedy.</summary>
internal static class MaterialCheck
{
    public const int MostBars = 10_000;
    private const int MostDates = 30;

    public static void Check(MaterialWish wish, MaterialRow? piece, int lastPassage)
    {
        Problems.Text("title", wish.Title, 200);
        Problems.Text("note", wish.Note);
        Problems.Text("difficulty", wish.Difficulty, 200);
        if (wish.Kind != MaterialKind.Passage && string.IsNullOrWhiteSpace(wish.Title))
            throw new FieldException("title", "Give it a title.");
        Problems.Tempo("target", wish.Target);
        if (wish.BeatsPerBar is < 1 or > 32)
            throw new FieldException("beatsPerBar", "A bar has 1 to 32 beats.");
        if (Beat.Find(wish.Beat) is null)
            throw new FieldException("beat", $"The tempo counts one of: {Words.List([.. Beat.All.Select(beat => beat.Name)])}.");
        if (!Enum.IsDefined(wish.Readiness))
            throw new FieldException("readiness", "Readiness is Raw, Shaping or Ready.");
        if (wish is { Kind: MaterialKind.Exercise, Area: not (null or Area.Technique or Area.WarmUp or Area.Play) })
            throw new FieldException("area", "An exercise belongs to technique, to the warm-up or to play.");
        HarmonyOf("harmony", wish.Harmony);
        if (wish.WeekMinutes is < 0 or > 60 || wish.WeekTimes is < 0 or > 7)
            throw new FieldException("weekMinutes", "Set 1 to 60 minutes, 1 to 7 times a week, or nothing.");
        if (wish is { WeekTimes: > 0, Area: Area.WarmUp })
            throw new FieldException("weekMinutes", "What belongs to the warm-up comes with it. Set minutes for technique or repertoire.");
        if (wish.LaterDates?.Count > MostDates)
            throw new FieldException(
                "laterDates",
                $"A piece has {MostDates} further performances at most; leave out the ones that are past."
            );
        Bars(wish, piece, lastPassage);
        if (wish.Kind == MaterialKind.Book)
            Book(wish);
    }

    /// <summary>Chords or keys as they were written.</summary>
    internal static string HarmonyOf(string field, string text)
    {
        if (Harmony.Read(Problems.Text(field, text), out var unknown).Count > Harmony.Most || unknown is not null)
            throw new FieldException(
                field,
                $"\"{unknown ?? text}\" is neither a chord nor a key. Write them like G, C, D7 or F major, at most {Harmony.Most}."
            );
        return text.Trim();
    }

    private static void Bars(MaterialWish wish, MaterialRow? piece, int lastPassage)
    {
        if (wish.FromBar is < 0 or > MostBars || wish.ToBar is < 0 or > MostBars)
            throw new FieldException("toBar", $"Bars are numbered from 1 (an upbeat is 0) to {MostBars}.");
        if (wish.ToBar < wish.FromBar)
            throw new FieldException("toBar", $"The last bar ({wish.ToBar}) lies before the first ({wish.FromBar}); swap them.");
        if (wish.Kind == MaterialKind.Piece && wish.FromBar > 1)
            throw new FieldException("fromBar", "A piece begins with bar 1, or with 0 for an upbeat.");
        if (wish.Kind == MaterialKind.Piece && wish.ToBar < lastPassage)
            throw new FieldException("toBar", $"A passage of this piece reaches to bar {lastPassage}; change the passage first.");
        if (wish.Kind != MaterialKind.Passage)
            return;
        if (piece is not { Kind: MaterialKind.Piece })
            throw Problems.Unknown("pieceId", "piece");
        if (Core.Repertoire.PassageBars.Problem(piece.Title, piece.FromBar, piece.ToBar, wish.FromBar, wish.ToBar) is { } problem)
            throw new FieldException("toBar", problem);
    }

    private static void Book(MaterialWish wish)
    {
        if (wish.Examples is < 1 or > 10_000)
            throw new FieldException("examples", "A book has 1 to 10,000 examples.");
        if (wish.NextExample < 1 || wish.NextExample > wish.Examples + 1)
            throw new FieldException(
                "nextExample",
                $"The next example is 1 to {wish.Examples}, or {wish.Examples + 1} when all are played."
            );
        if (wish.PerDay is < 1 or > 50)
            throw new FieldException("perDay", "Examples a day are 1 to 50.");
        BookPart.Read(wish.BookParts, wish.Examples, out var problem);
        if (problem is not null)
            throw new FieldException("bookParts", problem);
    }
}
