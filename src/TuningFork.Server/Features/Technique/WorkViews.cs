using TuningFork.Core.Planning;
using TuningFork.Core.Technique;

namespace TuningFork.Server.Features.Technique;

/// <summary>An exercise made of keys, chords, steps, strokes, patterns over weeks or written music.</summary>
/// <param name="Sheet">For patterns, and steps of a scale or a key: scale, first note, octaves and rhythm.</param>
public sealed record WorkWish(
    string Title,
    Work Work,
    int? Target = null,
    SheetRequest? Sheet = null,
    IReadOnlyList<string>? Serves = null,
    int Version = 0,
    bool InKeys = false,
    int? CleanAt = null
);

/// <summary>What is to be looked at before it is kept.</summary>
/// <param name="Sheet">Of what is made from one: scale, first note, octaves and rhythm.</param>
public sealed record LookWish(Work Work, SheetRequest? Sheet = null);

/// <summary>How it would come out.</summary>
/// <param name="Says">The arithmetic in a sentence, or empty.</param>
/// <param name="Abc">Music as it was understood, or empty.</param>
/// <param name="LeftOut">What of the music was not taken over.</param>
/// <param name="Groove">The grid as it was understood, or null.</param>
/// <param name="Played">The music as it sounds.</param>
public sealed record LookView(string Says, string Abc, IReadOnlyList<string> LeftOut, Groove? Groove, IReadOnlyList<PlayedNoteView> Played);

/// <summary>An exercise in the list of technique.</summary>
/// <param name="Stands">Where it stands, in words.</param>
/// <param name="Proposal">What the app would do at its review; null when it is not due.</param>
public sealed record ExerciseLine(
    int Id,
    string Title,
    Work? Work,
    SheetRequest? Sheet,
    bool InKeys,
    string Stands,
    int? Target,
    IReadOnlyList<string> Serves,
    bool Resting,
    DateOnly? ReviewOn,
    ReviewProposal? Proposal,
    int Version
);

/// <summary>A decision at a review.</summary>
public sealed record DecisionWish(ReviewDecision Decision);

/// <summary>A progression by its degrees.</summary>
/// <param name="Degrees">1 to 7 in order.</param>
public sealed record ProgressionWish(string Key, IReadOnlyList<int> Degrees, bool Sevenths = false);
