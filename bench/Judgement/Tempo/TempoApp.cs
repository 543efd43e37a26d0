using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Tempo;
using TuningFork.Data;
using TuningFork.Data.Rows;

namespace TuningFork.Bench.Judgement.Tempo;

/// <summary>What the app really plans, its drills played take by take at the tempi the stage asks for.</summary>
/// <param name="alone">True when the plan knows nothing of whole pieces: no reading, no sections, no run-throughs.</param>
internal sealed class TempoApp(bool alone)
{
    private const double NoisyRating = 0.15;
    private const int RatesEvery = 4;

    private readonly List<MaterialRow> others =
    [
        .. Enumerable
            .Range(0, 4)
            .Select(i => new MaterialRow
            {
                Id = 2000 + i,
                Kind = MaterialKind.Exercise,
                Area = Area.Technique,
                Title = $"Exercise {i}",
                Target = 100,
            }),
        new MaterialRow
        {
            Id = 2010,
            Kind = MaterialKind.Book,
            Area = Area.SightReading,
            Title = "Book",
            Examples = 500,
        },
    ];

    private readonly Dictionary<Area, double> week = [];
    private readonly List<(DateOnly Day, Area Area, double Seconds)> played = [];

    /// <summary>Plays a day.</summary>
    public void Play(Sitting sitting, int minutes, World world)
    {
        var (book, day) = (sitting.Book, sitting.Day);
        var known = book.Known(day).ToHashSet();
        Rate(sitting, world, known);
        var rows = book
            .Rows.Where(row => (row.Kind == MaterialKind.Piece && !alone) || known.Contains(row.Id))
            .Concat(book.Scenario.Weave ? others : [])
            .ToList();
        var plan = DayPlanner.Plan(Request(book, day, minutes, rows));
        var drills = plan.Drills.Where(drill => !drill.IsBreak).ToList();
        for (var at = 0; at < drills.Count; at++)
        {
            drills[at] = TodaysTempo.Refreshed(drills[at], target =>
                target.MaterialId is { } id and < 1000 && target.Key == TargetKey.Of(id) && book.Visit(id, day) is { Takes: > 0 } visit
                    ? VisitBooks.Today(book.Passages[id], visit, sitting.Book.Traits)
                    : null
            );
            sitting.Area = drills[at].Area ?? Area.Repertoire;
            var left = Drill(sitting, drills[at], drills.Skip(at + 1).ToList());
            if (drills[at].Area is { } area)
                played.Add((day, area, (drills[at].Minutes * 60) - left));
            if (SavedTime.PassOn(drills[at], drills.Skip(at + 1), (int)left) is { } passed)
                drills[drills.FindIndex(drill => drill.Id == passed.Drill.Id)] = passed.Drill;
            else if (drills[at].Area == Area.Repertoire && left > 0)
                sitting.Idle(left);
        }
    }

    private DayRequest Request(TempoBook book, DateOnly day, int minutes, List<MaterialRow> rows)
    {
        var weave = book.Scenario.Weave;
        foreach (var area in Areas.All)
            week[area] = played.Where(one => one.Area == area && day.DayNumber - one.Day.DayNumber < 7).Sum(one => one.Seconds);
        return new DayRequest
        {
            Day = day,
            Minutes = minutes,
            UsualMinutes = book.Scenario.Minutes,
            KeptPart = Habits.KeptPart(
                played.GroupBy(one => one.Day).ToDictionary(one => one.Key, one => one.Sum(part => part.Seconds) / 60),
                day,
                [book.Scenario.Minutes]
            ),
            Seed = day.DayNumber,
            Routine = weave ? Shapes.Default : new Routine("repertoire", [new Block(Area.Repertoire, 1, minutes, 240)], false),
            Shares = weave
                ? Shares.Default
                : [.. Areas.Shared.Select(area => new AreaShare(area, area == Area.Repertoire ? 100 : 0, 0, 240))],
            History = weave
                ?
                [
                    .. Areas.All.Select(area => new AreaHistory(
                        area,
                        (int)week[area],
                        played.Where(one => one.Area == area).Select(one => (int?)(day.DayNumber - one.Day.DayNumber)).Min()
                    )),
                ]
                : [],
            Materials =
            [
                .. rows.Select(row =>
                    Bookkeeping.ToCore(
                        row,
                        day,
                        row.Piece,
                        row.Kind == MaterialKind.Piece,
                        visit: row.Id < 1000 ? book.Visit(row.Id, day) : null,
                        traits: book.Traits
                    )
                ),
            ],
            Traits = book.Traits,
        };
    }

    /// <summary>The player answers now and then what the close asks: by first takes, in real life sometimes wrongly.</summary>
    private static void Rate(Sitting sitting, World world, HashSet<int> known)
    {
        var (book, day) = (sitting.Book, sitting.Day);
        foreach (var row in book.Passages.Where(row => known.Contains(row.Id) && (row.Id + day.DayNumber) % RatesEvery == 0))
        {
            var rating = book.Rating(row.Id);
            if (world == World.RealLife && sitting.Learner.Luck() < NoisyRating)
                rating = (Readiness)Math.Clamp((int)rating + (sitting.Learner.Luck() < 0.5 ? 1 : -1), 1, 3);
            row.Readiness = rating;
            row.Confirmed = rating == Readiness.Ready ? day : null;
        }
    }

    /// <summary>Plays a drill to its end, or to the end of its time.</summary>
    /// <returns>The seconds it leaves.</returns>
    private double Drill(Sitting sitting, Drill drill, List<Drill> later)
    {
        var takes = new List<StageTake>();
        var method = Methods.Of(drill);
        var used = 0.0;
        double? loopFrom = 0;
        if (drill.Area != Area.Repertoire && !drill.Targets.Any(target => target.MaterialId >= 1000 && target.MaterialId < 2000))
            return Other(drill, sitting.Day);
        if (drill.Targets.Count == 0 || (method.Course == Course.Timed && drill.Targets is not [{ MaterialId: not null }]))
        {
            sitting.Idle(drill.Seconds);
            return 0;
        }

        while (used < drill.Seconds)
        {
            var cue = Stage.Now(drill, takes, used, loopFrom: loopFrom);
            if (cue.Complete)
            {
                var left = (int)(drill.Seconds - used);
                if (SavedTime.Longer(drill, later, left) is not { } longer)
                    break;
                drill = longer;
                continue;
            }

            var index = Math.Max(0, cue.TargetIndex);
            var target = drill.Targets[index];
            var tempo = cue.Tempo ?? target.Tempo ?? new Bpm(60);
            var id = target.MaterialId ?? Altered(target);
            var (seconds, clean) =
                id is >= 1000 || target.StopAfterBar - target.FromBar >= 4 ? Through(sitting, drill, target, id!.Value, tempo)
                : id is { } passage ? Take(sitting, drill, target, passage, tempo, cue.CountsTakes)
                : (20, true);
            used += seconds;
            takes.Add(new StageTake(index, clean, tempo));
            loopFrom = clean ? loopFrom : used;
        }

        if (
            drill.Targets is [{ MaterialId: >= 1000 and var walked }]
            && StageRuns.PlaceAfter(drill, takes) is { } place
            && sitting.Book.Rows.FirstOrDefault(row => row.Id == walked) is { } piece
        )
            piece.Place = place;
        return Math.Max(0, drill.Seconds - used);
    }

    private static (double Seconds, bool Clean) Take(Sitting sitting, Drill drill, Target target, int passage, Bpm tempo, bool counts)
    {
        var seconds = TempoBook.TakeSeconds(tempo.Value);
        var (clean, recorded) = sitting.Play(passage, tempo.Value, seconds);
        if (!counts)
            sitting.Book.Touch(passage, sitting.Day);
        else if (recorded && target.MaterialId is not null)
            sitting.Book.Note(passage, sitting.Day, clean, tempo.Value, TodaysTempo.Weight(drill.MethodId, target.Key));
        if (target is { MaterialId: not null, Pace: Pace.Work } && counts || target.Pace == Pace.Ladder)
        {
            sitting.Tally.WorkTakes++;
            sitting.Tally.WorkClean += clean ? 1 : 0;
        }

        return (seconds, clean);
    }

    /// <summary>A section, a run, or a passage with the bars around it: the passages in it are met once, on the way.</summary>
    private static (double Seconds, bool Clean) Through(Sitting sitting, Drill drill, Target target, int id, Bpm tempo)
    {
        var (book, day) = (sitting.Book, sitting.Day);
        var piece = id >= 1000 ? id : book.Passages[id].PieceId!.Value;
        var bars = (target.StopAfterBar ?? book.Rows.First(row => row.Id == piece).ToBar) - target.FromBar + 1;
        var inside = book.Known(day)
            .Where(one =>
                book.Passages[one].PieceId == piece
                && book.Passages[one].FromBar >= target.FromBar
                && book.Passages[one].ToBar <= (target.StopAfterBar ?? 999)
            )
            .ToList();
        var seconds = TempoBook.Seconds(bars, tempo.Value);
        var clean = true;
        foreach (var met in inside)
            clean &= sitting.Play(met, tempo.Value, seconds / inside.Count).Clean;
        if (inside.Count == 0)
            sitting.Idle(seconds);
        if (id >= 1000)
        {
            var row = book.Rows.First(one => one.Id == id);
            var visit = row.LastVisit == day ? null : VisitBooks.Begin(row, day);
            if (visit is not null && drill.MethodId != Methods.SlowReading.Id)
                VisitBooks.Add(row, visit, clean, tempo.Value, 1, sitting.Book.Traits);
            foreach (var met in inside.Where(_ => clean && drill.MethodId != Methods.SlowReading.Id))
                book.Note(met, day, true, tempo.Value, 0.5);
        }
        else
            book.Note(id, day, clean, tempo.Value, 0.5);
        return (seconds, clean);
    }

    /// <summary>The other areas take their time; their exercises have had their turn.</summary>
    private double Other(Drill drill, DateOnly day)
    {
        foreach (var row in others.Where(row => drill.Targets.Any(target => target.MaterialId == row.Id) && row.LastVisit != day))
        {
            (row.LastVisit, row.Visits) = (day, row.Visits + 1);
            row.NextExample += row.Kind == MaterialKind.Book ? 2 : 0;
        }

        return 0;
    }

    private static int? Altered(Target target) => TargetKey.Parse(target.Key) is { Kind: TargetKind.Material } key ? key.Id : null;
}
