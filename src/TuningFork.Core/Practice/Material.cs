using TuningFork.Core.Ability;
using TuningFork.Core.Notation;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;

namespace TuningFork.Core.Practice;

/// <summary>What can be practised.</summary>
public enum MaterialKind
{
    /// <summary>Technique or warm-up: scale, arpeggio, pattern, study, groove.</summary>
    Exercise,

    /// <summary>Repertoire.</summary>
    Piece,

    /// <summary>A bar range of a piece that needs work.</summary>
    Passage,

    /// <summary>A collection of unseen examples.</summary>
    Book,
}

/// <summary>A material as the planner sees it: what it is, and what its history comes to.</summary>
public sealed record Material
{
    /// <summary>Beats a minute where nothing is known, and how little that says.</summary>
    private const double Walking = 66;
    private const double MostUnsure = 0.4;

    private const double NewKeyPart = 0.9;
    private const double NewKeySpread = 0.15;

    private readonly string? shortTitle;
    private readonly int? group;

    /// <summary>Its number.</summary>
    public required int Id { get; init; }

    /// <summary>What it is.</summary>
    public required MaterialKind Kind { get; init; }

    /// <summary>What it is called: "Ferry Waltz, 17–18".</summary>
    public required string Title { get; init; }

    /// <summary>The bars alone, for a passage: "17–18"; else the title.</summary>
    public string ShortTitle
    {
        get => shortTitle ?? Title;
        init => shortTitle = value;
    }

    /// <summary>Technique or warm-up for exercises; else repertoire or sight reading.</summary>
    public required Area Area { get; init; }

    /// <summary>What makes it neighbour of its own kind: the piece's or the exercise's number.</summary>
    public int Group
    {
        get => group ?? Id;
        init => group = value;
    }

    /// <summary>First bar, 0 for an upbeat; of a whole piece 1.</summary>
    public int FromBar { get; init; } = 1;

    /// <summary>Last bar.</summary>
    public int ToBar { get; init; } = 4;

    /// <summary>Beats in a bar, as the tempo counts them.</summary>
    public int BeatsPerBar { get; init; } = 4;

    /// <summary>Target tempo, or null.</summary>
    public Bpm? Target { get; init; }

    /// <summary>The note that the tempo counts, as a symbol: quarter, dotted quarter, eighth, half.</summary>
    public Beat Beat { get; init; } = Beat.Quarter;

    /// <summary>How far it is.</summary>
    public Readiness Readiness { get; init; } = Readiness.Raw;

    /// <summary>What is hard, in a word, or empty.</summary>
    public string Difficulty { get; init; } = "";

    /// <summary>A note that shows on the stage.</summary>
    public string Note { get; init; } = "";

    /// <summary>True while it is left alone.</summary>
    public bool Resting { get; init; }

    /// <summary>True when it was asked for, for today.</summary>
    public bool AskedFor { get; init; }

    /// <summary>True for scales and arpeggios, whose minutes a day are limited.</summary>
    public bool IsScale { get; init; }

    /// <summary>How it goes through the keys, or null when it stays in one.</summary>
    public KeyPlan? KeyPlan { get; init; }

    /// <summary>What it is made of beside a line of notes, or null.</summary>
    public Work? Work { get; init; }

    /// <summary>The step that comes next, or the set of a shuttle, from 0.</summary>
    public int Place { get; init; }

    /// <summary>Of an exercise: where it stands on its way into music.</summary>
    public ExerciseStation Station { get; init; }

    /// <summary>Rhythm of its sheet, or empty without one.</summary>
    public string Rhythm { get; init; } = "";

    /// <summary>Difficulties of passages that it serves, for an exercise.</summary>
    public IReadOnlyList<string> Serves { get; init; } = [];

    /// <summary>The day on which to decide whether it is kept, rests or goes; null when there is nothing to decide.</summary>
    public DateOnly? ReviewOn { get; init; }

    /// <summary>What happened with its keys so far.</summary>
    public IReadOnlyList<KeyRecord> Keys { get; init; } = [];

    /// <summary>What happened with each of its patterns ("p:3") and with halves of a passage ("b:17-18").</summary>
    public IReadOnlyDictionary<string, PartRecord> Parts { get; init; } = new Dictionary<string, PartRecord>(StringComparer.Ordinal);

    /// <summary>A school of spacing of its own, or null for the player's.</summary>
    public School? School { get; init; }

    /// <summary>Lasting name of the method that helps with what is still missing, or empty.</summary>
    public MethodId Proposed { get; init; }

    /// <summary>What is still missing, or empty.</summary>
    public string Missing { get; init; } = "";

    /// <summary>How far it has been put back: 0 not yet, 1 with the bars around it, 2 in its section, 3 in the piece.</summary>
    public int PutBack { get; init; }

    /// <summary>Last bar of the piece, for a passage.</summary>
    public int PieceEnds { get; init; }

    /// <summary>First bar of the piece, for a passage.</summary>
    public int PieceBegins { get; init; } = 1;

    /// <summary>True when it has passages of its own, so that the planner works on those.</summary>
    public bool HasPassages { get; init; }

    /// <summary>Next performance, or null.</summary>
    public DateOnly? Performance { get; init; }

    /// <summary>The day on which that date was set; null for long ago.</summary>
    public DateOnly? PerformanceSet { get; init; }

    /// <summary>The performance before it, or null: the way to the next goes on from there.</summary>
    public DateOnly? LastPerformance { get; init; }

    /// <summary>Minutes that it is to have so many times a week, as the player has set; 0 for no such wish.</summary>
    public int WeekMinutes { get; init; }

    /// <summary>How often a week.</summary>
    public int WeekTimes { get; init; }

    /// <summary>Days with a visit among the last six before the day of the plan.</summary>
    public int WeekVisits { get; init; }

    /// <summary>Days a week on which a book was read, over the weeks it is known; null in its first week.</summary>
    public double? VisitsAWeek { get; init; }

    /// <summary>Whether it is to come in a second sitting of the day as well.</summary>
    public bool TwiceADay { get; init; }

    /// <summary>Whether it goes before the others in every sitting: it was asked for, or promised twice a day.</summary>
    public bool ComesFirst => AskedFor || TwiceADay;

    /// <summary>Of a song: its chords or keys as they are printed; empty where they are not known.</summary>
    public IReadOnlyList<string> Harmony { get; init; } = [];

    /// <summary>What is done for two weeks because it annoys, or is stuck; by default nothing.</summary>
    public ReliefTime Relief { get; init; }

    /// <summary>Minutes that earlier sittings of the day of the plan gave it, rounded.</summary>
    public int MinutesToday { get; init; }

    /// <summary>What a goal asks of it this week, or empty.</summary>
    public string Goal { get; init; } = "";

    /// <summary>True when that goal is behind its steps.</summary>
    public bool GoalBehind { get; init; }

    /// <summary>The day on which it came back from a rest, or null.</summary>
    public DateOnly? BackOn { get; init; }

    /// <summary>Last day it was visited, or null.</summary>
    public DateOnly? LastVisit { get; init; }

    /// <summary>Number of visits.</summary>
    public int Visits { get; init; }

    /// <summary>Memory after the last visit with a take, or null.</summary>
    public Memory? Memory { get; init; }

    /// <summary>True when the first take of the last visit was missed.</summary>
    public bool Slipped { get; init; }

    /// <summary>True when its tempo has not risen over the last visits.</summary>
    public bool Stuck { get; init; }

    /// <summary>Whether it came back after days away and has not been clean as written on two days since.</summary>
    public bool Regaining { get; init; }

    /// <summary>Last clean tempo, or null.</summary>
    public Bpm? LastClean { get; init; }

    /// <summary>The fastest tempo that ever was clean, or null.</summary>
    public Bpm? Best { get; init; }

    /// <summary>What the player can do, brought to the day of the plan, in beats; null before the first timed take.</summary>
    public Reach? Reach { get; init; }

    /// <summary>What is believed after the takes of the day of the plan; null when there was none yet.</summary>
    public Morning? Today { get; init; }

    /// <summary>The day on which it was last rated concert-ready, or null.</summary>
    public DateOnly? Confirmed { get; init; }

    /// <summary>For books: the next example's number.</summary>
    public int NextExample { get; init; } = 1;

    /// <summary>For books: numbers after the next one that were read already, out of turn.</summary>
    public IReadOnlySet<int> ReadAhead { get; init; } = new HashSet<int>();

    /// <summary>For books: stretches with something in common, in order.</summary>
    public IReadOnlyList<BookPart> BookParts { get; init; } = [];

    /// <summary>For books: what is in a key that sounded today comes first.</summary>
    public bool TodaysKey { get; init; }

    /// <summary>For books: how many examples it has.</summary>
    public int Examples { get; init; }

    /// <summary>For books: examples a day.</summary>
    public int PerDay { get; init; } = 3;

    /// <summary>Bars from first to last.</summary>
    public int Bars => ToBar - FromBar + 1;

    /// <summary>Where it begins before anything was played: by its rating and its target, or near a walking pace.</summary>
    public Reach Start =>
        Target is not { } target
            ? Ability.Reach.At(Walking, MostUnsure)
            : Ability.Reach.At(
                target.Value
                    * (
                        Readiness switch
                        {
                            Readiness.Ready => Estimate.TargetPart,
                            Readiness.Shaping => Estimate.ShapingPart,
                            _ => Estimate.RawPart,
                        }
                    ),
                Estimate.FirstSpread
            );

    /// <summary>Where one of its keys or patterns begins that was never played: below the others, and unsure.</summary>
    public Reach StartInKey => Ability.Reach.At((Reach ?? Start).Tempo * NewKeyPart, Math.Max(NewKeySpread, (Reach ?? Start).Spread));

    /// <summary>
    /// Where one of its parts begins that was never played: a number of a book by what was thought of it at the first look, others as
    /// keys do.
    /// </summary>
    /// <param name="part">The part as it is kept: "Bb major", "p:3", "n:7".</param>
    public Reach StartIn(string part) =>
        Work?.Numbers is { } book && NumberBook.NumberOf(part) is { } number
            ? (
                this with
                {
                    Target = book.TargetOf(number, Target),
                    Readiness = book.MarkOf(number).Look == NumberLook.Easy ? Readiness.Shaping : Readiness.Raw,
                }
            ).Start
            : StartInKey;

    /// <summary>Whether a pattern or a number of it is done; what is neither is never done.</summary>
    /// <param name="part">The part as it is kept: "p:3", "n:7".</param>
    /// <param name="record">What happened with it.</param>
    public bool IsDone(string part, PartRecord record) =>
        NumberBook.NumberOf(part) is { } number
            ? Work?.Numbers?.IsDone(number, record, Target) == true
            : part.StartsWith("p:", StringComparison.Ordinal) && Work?.Patterns?.IsDone(record, Target) == true;

    /// <summary>Whether its takes have a tempo: an exercise without a target that never had one is played untimed.</summary>
    public bool IsTimed => Kind is MaterialKind.Passage or MaterialKind.Piece || Target is not null || Reach is not null;

    /// <summary>The tempo a take would have now: at the reach, else where it begins.</summary>
    public Bpm WorkingTempo => Bpm.Near(Math.Min(Target?.Value ?? double.MaxValue, (Reach ?? Start).Tempo));

    /// <summary>Seconds of one take at the working tempo, with the seconds to set up again.</summary>
    public int TakeSeconds => Takes.Seconds(Bars, BeatsPerBar, WorkingTempo);

    /// <summary>Seconds a usual visit takes: three takes in rounds, two and a half minutes at least while raw.</summary>
    public int VisitSeconds => Readiness == Readiness.Raw ? Math.Max(150, 4 * TakeSeconds) : 3 * TakeSeconds;
}
