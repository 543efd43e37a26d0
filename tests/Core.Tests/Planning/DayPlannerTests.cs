using System.Text.Json;
using CsCheck;
using Shouldly;
using TuningFork.Core.Ability;
using TuningFork.Core.Planning;
using TuningFork.Core.Practice;
using TuningFork.Core.Spacing;
using TuningFork.Core.Technique;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Planning;

public sealed class DayPlannerTests
{
    private static readonly DateOnly Day = new(2031, 5, 14);

    [Fact]
    public void Any_day_adds_up_exactly_and_keeps_the_order_of_a_day()
    {
        var requests =
            from minutes in Gen.Int[10, 240]
            from shape in Gen.OneOf(Shapes.All.ToArray())
            from demands in Gen.Int[0, 7]
            from seed in Gen.Int[0, 100_000]
            from passages in Gen.Int[0, 30]
            from exercises in Gen.Int[0, 8]
            select Request(minutes, shape, seed, passages, exercises) with
            {
                Demands = (Demands)demands,
            };
        requests.Sample(
            request =>
            {
                var plan = DayPlanner.Plan(request);
                plan.Total.ShouldBe(request.Minutes);
                plan.Drills.ShouldAllBe(drill => drill.Minutes > 0);
                plan.Drills.Select(drill => drill.Id).ShouldBeUnique();
                var areas = plan.Drills.Where(drill => drill.Area is not null).Select(drill => drill.Area!.Value).ToList();
                areas[0].ShouldBe(Area.WarmUp);
                if (areas.Contains(Area.SightReading))
                    areas.LastIndexOf(Area.WarmUp).ShouldBeLessThan(areas.IndexOf(Area.SightReading));
                if (areas.Contains(Area.Play))
                    areas.Skip(areas.IndexOf(Area.Play)).ShouldAllBe(area => area == Area.Play);
                plan.Drills.Where(drill => drill.Area == Area.WarmUp).ShouldAllBe(drill => drill.MethodId == Methods.EaseIn.Id);
                plan.Drills.Where(drill => !drill.IsBreak).ShouldAllBe(drill => drill.Reason.Length > 0);
                plan.Drills.Where(drill => drill.WorkMinutes is null).ShouldAllBe(drill => drill.Minutes <= 20);
                plan.Drills.Zip(plan.Drills.Skip(1)).ShouldNotContain(pair => pair.First.IsBreak && pair.Second.IsBreak);
                plan.Warnings.ShouldBeEmpty();
                plan.Drills[0].IsBreak.ShouldBeFalse();
                plan.Drills[^1].IsBreak.ShouldBeFalse();
            },
            iter: 400
        );
    }

    [Theory]
    [InlineData(5)]
    [InlineData(6)]
    [InlineData(7)]
    [InlineData(8)]
    public void The_usual_shape_fits_the_shortest_day_too(int minutes) =>
        DayPlanner.Plan(Request(minutes, Shapes.Default, 3, 9, 3)).Total.ShouldBe(minutes);

    [Fact]
    public void The_same_request_makes_the_same_plan_and_another_seed_another_order()
    {
        var request = Request(60, Shapes.Default, 7, 20, 6);
        Json(DayPlanner.Plan(request)).ShouldBe(Json(DayPlanner.Plan(request)));
        Enumerable
            .Range(0, 10)
            .Select(seed => Json(DayPlanner.Plan(request with { Seed = seed })))
            .Distinct(StringComparer.Ordinal)
            .Count()
            .ShouldBeGreaterThan(1);
    }

    [Fact]
    public void No_take_follows_one_of_the_same_passage_and_pieces_alternate_where_they_can()
    {
        for (var seed = 0; seed < 60; seed++)
        {
            var plan = DayPlanner.Plan(Request(45, Shapes.Default, seed, 16, 5));
            foreach (var drill in plan.Drills.Where(drill => drill.MethodId == Methods.OneTakeRounds.Id && drill.Targets.Count > 1))
            {
                drill.Sequence.Zip(drill.Sequence.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second);
                var counts = drill.Sequence.GroupBy(index => index).Select(group => group.Count()).ToList();
                (counts.Max() - counts.Min()).ShouldBeLessThanOrEqualTo(1, "whole rounds, and single takes of what is left");
            }

            var areas = plan
                .Drills.Where(drill => drill.Area is Area.Technique or Area.Repertoire or Area.Ear)
                .Select(drill => drill.Area!.Value.ToString())
                .ToList();
            DrillOrder.Repeats(areas, area => area).ShouldBe(OrderTests.Unavoidable(areas));
        }
    }

    [Fact]
    public void What_was_asked_for_comes_and_what_was_played_today_does_not()
    {
        var request = Request(30, Shapes.Default, 3, 20, 3);
        var asked = request.Materials.Last(material => material.Kind == MaterialKind.Passage);
        var done = request.Materials.Where(material => material.Kind == MaterialKind.Passage).Take(6).ToList();
        var materials = request
            .Materials.Select(material =>
                material.Id == asked.Id ? material with { AskedFor = true }
                : done.Contains(material) ? material with { LastVisit = Day }
                : material
            )
            .ToList();
        var keys = DayPlanner
            .Plan(request with { Materials = materials })
            .Drills.SelectMany(drill => drill.Targets)
            .Select(target => target.MaterialId)
            .ToList();
        keys.ShouldContain(asked.Id);
        keys.Intersect(done.Select(material => (int?)material.Id)).ShouldBeEmpty();
    }

    [Fact]
    public void Tired_days_bring_nothing_new_and_nothing_faster()
    {
        var request = Request(45, Shapes.Default, 5, 14, 5) with { Demands = Demands.Tired };
        var byId = request.Materials.ToDictionary(material => material.Id);
        foreach (
            var target in DayPlanner.Plan(request).Drills.Where(drill => drill.Area == Area.Repertoire).SelectMany(drill => drill.Targets)
        )
        {
            var material = byId[target.MaterialId!.Value];
            material.LastVisit.ShouldNotBeNull();
            if (material.Reach is { } reach)
                target.Tempo!.Value.Value.ShouldBeLessThan((int)Math.Ceiling(reach.Tempo));
        }

        DayPlanner.Plan(request).Drills.ShouldNotContain(drill => drill.MethodId == Methods.TempoLadder.Id);
    }

    [Fact]
    public void After_pain_everything_is_done_without_the_instrument()
    {
        var plan = DayPlanner.Plan(Request(45, Shapes.Default, 5, 14, 5) with { Quiet = true });
        plan.Total.ShouldBe(45);
        plan.Drills.Where(drill => !drill.IsBreak).ShouldAllBe(drill => drill.Area == Area.Ear || drill.MethodId == Methods.SilentStudy.Id);
        plan.Summary.ShouldContain(line => line.Contains("physiotherapist", StringComparison.Ordinal));
    }

    [Fact]
    public void Locked_drills_stay_when_planning_anew_with_other_minutes()
    {
        var request = Request(45, Shapes.Default, 11, 14, 5);
        var kept = DayPlanner.Plan(request).Drills.First(drill => drill.Area == Area.Repertoire) with { Locked = true };
        var plan = DayPlanner.Plan(request with { Minutes = 30, Seed = 99, Kept = [kept] });
        plan.Total.ShouldBe(30);
        plan.Drills.ShouldContain(kept);
        var others = plan.Drills.Where(drill => drill.Id != kept.Id).SelectMany(drill => drill.Targets).Select(target => target.Key);
        others.Intersect(kept.Targets.Select(target => target.Key)).ShouldBeEmpty();
        Should
            .Throw<PlanException>(() => DayPlanner.Plan(request with { Minutes = 5, Kept = [kept with { Minutes = 20 }] }))
            .Field.ShouldBe("minutes");
    }

    [Fact]
    public void Scales_keep_within_their_minutes_while_there_is_something_else()
    {
        var request = Request(120, Shapes.All.First(shape => shape.Name == "At the bench"), 4, 6, 8);
        var materials = request
            .Materials.Select(material => material with { IsScale = material.Kind == MaterialKind.Exercise && material.Id % 2 == 0 })
            .ToList();
        var scales = materials.Where(material => material.IsScale).Select(material => (int?)material.Id).ToHashSet();
        DayPlanner
            .Plan(request with { Materials = materials })
            .Drills.Where(drill => drill.Area == Area.Technique && drill.Targets.Any(target => scales.Contains(target.MaterialId)))
            .Sum(drill => drill.Minutes)
            .ShouldBeLessThanOrEqualTo(20);
    }

    [Fact]
    public void Books_go_on_where_they_stopped_and_say_when_they_end()
    {
        var book = new Material
        {
            Id = 900,
            Kind = MaterialKind.Book,
            Title = "Small Tunes",
            Area = Area.SightReading,
            Examples = 200,
            NextExample = 1,
            PerDay = 3,
        };
        TuningFork
            .Core.SightReading.Books.DaysLeft(
                new Material
                {
                    Id = 1,
                    Kind = MaterialKind.Book,
                    Title = "Tunes",
                    Area = Area.SightReading,
                    Examples = 200,
                    PerDay = 3,
                    VisitsAWeek = 7,
                }
            )
            .ShouldBe(67);
        var request = Request(60, Shapes.Default, 1, 5, 2);
        var plan = DayPlanner.Plan(
            request with
            {
                Materials = [.. request.Materials.Where(material => material.Kind != MaterialKind.Book), book with { NextExample = 198 }],
                ReadingFrom = TuningFork.Core.SightReading.ReadingSource.Books,
            }
        );
        var keys = plan
            .Drills.Where(drill => drill.Area == Area.SightReading)
            .SelectMany(drill => drill.Targets)
            .Select(target => target.Key)
            .ToList();
        keys.ShouldBe(["book:900:198", "book:900:199", "book:900:200"]);

        // With today's key first: a scale through the keys comes in the same plan, though later in it.
        var scale = new Material
        {
            Id = 901,
            Kind = MaterialKind.Exercise,
            Title = "Scale",
            Area = Area.Technique,
            IsScale = true,
            AskedFor = true,
            KeyPlan = new KeyPlan(),
        };
        var byKey = DayPlanner.Plan(
            request with
            {
                Materials =
                [
                    scale,
                    book with
                    {
                        TodaysKey = true,
                        BookParts =
                        [
                            .. Key.Majors.Concat(Key.Minors).Select((one, i) => new BookPart((i * 6) + 1, (i * 6) + 6, one.Name, one)),
                        ],
                    },
                ],
                ReadingFrom = TuningFork.Core.SightReading.ReadingSource.Books,
            }
        );
        var sounded = byKey
            .Drills.SelectMany(drill => drill.Targets)
            .Select(target => TargetKey.Parse(target.Key).InKey)
            .Where(key => key.Length > 0)
            .Select(key => Key.TryParse(key, out var found) ? found.Name : "")
            .ToList();
        sounded.ShouldNotBeEmpty();
        var examples = byKey.Drills.Where(drill => drill.Area == Area.SightReading).SelectMany(drill => drill.Targets).ToList();
        examples.Count.ShouldBeGreaterThan(1);
        examples.ShouldAllBe(target => sounded.Any(key => target.Title.EndsWith($"({key})", StringComparison.Ordinal)));
    }

    [Fact]
    public void Books_and_new_music_take_turns_and_there_is_always_something_unseen()
    {
        var request = Request(30, Shapes.Default, 1, 5, 2);
        string Method(DateOnly day, IReadOnlyList<Material> materials) =>
            DayPlanner
                .Plan(request with { Day = day, Materials = materials })
                .Drills.First(drill => drill.Area == Area.SightReading)
                .MethodId.Name;
        var days = Enumerable.Range(0, 8).Select(i => request.Day.AddDays(i)).ToList();
        var methods = days.ConvertAll(day => Method(day, request.Materials));
        methods.Zip(methods.Skip(1)).ShouldAllBe(pair => pair.First != pair.Second);
        methods.Distinct().Order(StringComparer.Ordinal).ShouldBe(["new-music", "unseen-in-time"]);
        var without = request.Materials.Where(material => material.Kind != MaterialKind.Book).ToList();
        days.TrueForAll(day => Method(day, without) == "new-music").ShouldBeTrue();
    }

    [Fact]
    public void Changes_by_hand_move_the_sum_and_name_what_they_left_out()
    {
        var request = Request(45, Shapes.Default, 11, 14, 5);
        var plan = DayPlanner.Plan(request);
        var drill = plan.Drills.First(one => one.Area == Area.Technique);
        PlanEdit.Apply(plan, new PlanChange(ChangeKind.Minutes, drill.Id, drill.Minutes + 4), request).Total.ShouldBe(49);
        var without = PlanEdit.Apply(plan, new PlanChange(ChangeKind.LeaveOut, drill.Id), request);
        without.Total.ShouldBe(45 - drill.Minutes);
        without.Waiting.ShouldContain(item => item.MaterialId == drill.Targets[0].MaterialId);
        PlanEdit
            .Apply(without, new PlanChange(ChangeKind.Add, Value: 6, MaterialId: drill.Targets[0].MaterialId), request)
            .Total.ShouldBe(45 - drill.Minutes + 6);
        PlanEdit.Apply(plan, new PlanChange(ChangeKind.Move, drill.Id, 0), request).Drills[0].Id.ShouldBe(drill.Id);
        foreach (var one in plan.Drills.Where(one => !one.IsBreak && one.Area != Area.SightReading))
        {
            var swapped = PlanEdit.Apply(plan, new PlanChange(ChangeKind.Swap, one.Id), request);
            swapped.Drills.First(other => other.Id == one.Id).Title.ShouldNotBe(one.Title);
            swapped.Total.ShouldBe(45);
        }

        var rounds = plan.Drills.First(one => one.MethodId == Methods.OneTakeRounds.Id);
        var halved = PlanEdit
            .Apply(plan, new PlanChange(ChangeKind.Minutes, rounds.Id, 1), request)
            .Drills.First(one => one.Id == rounds.Id);
        halved
            .Sequence.Sum(index => halved.Targets[index].TakeSeconds)
            .ShouldBeLessThanOrEqualTo(Math.Max(60, halved.Targets.Sum(target => target.TakeSeconds)));
        halved.Sum.ShouldNotBe(rounds.Sum);
        Should
            .Throw<PlanException>(() => PlanEdit.Apply(plan, new PlanChange(ChangeKind.Minutes, drill.Id, 0), request))
            .Field.ShouldBe("value");
        Should
            .Throw<PlanException>(() => PlanEdit.Apply(plan, new PlanChange(ChangeKind.Lock, "nothing"), request))
            .Field.ShouldBe("drillId");
    }

    private static string Json(DayPlan plan) => JsonSerializer.Serialize(plan);

    internal static DayRequest Request(int minutes, Routine routine, int seed, int passages, int exercises)
    {
        var random = new Random(seed);
        var materials = new List<Material>();
        for (var i = 0; i < 4; i++)
            materials.Add(
                new Material
                {
                    Id = 100 + i,
                    Group = 100 + i,
                    Kind = MaterialKind.Piece,
                    Title = $"Piece {i}",
                    Area = Area.Repertoire,
                    ToBar = 32,
                    Target = new Bpm(90 + i),
                    HasPassages = passages > i,
                    Readiness = (Readiness)(1 + (i % 3)),
                }
            );
        for (var i = 0; i < passages; i++)
        {
            var last = random.Next(4) == 0 ? (DateOnly?)null : Day.AddDays(-1 - random.Next(12));
            materials.Add(
                new Material
                {
                    Id = i + 1,
                    Kind = MaterialKind.Passage,
                    Title = $"Piece {i % 4}, {i + 1}",
                    Area = Area.Repertoire,
                    Group = 100 + (i % 4),
                    FromBar = i + 1,
                    ToBar = i + 1 + random.Next(3),
                    Target = new Bpm(90),
                    Readiness = last is null ? Readiness.Raw : (Readiness)(1 + random.Next(3)),
                    LastVisit = last,
                    Visits = last is null ? 0 : 1 + random.Next(9),
                    Memory = last is null ? null : new Memory(1 + (random.NextDouble() * 12), 5),
                    LastClean = last is null || random.Next(4) == 0 ? null : new Bpm(50 + random.Next(40)),
                    Reach = last is null ? null : Reach.At(50 + random.Next(45), 0.06),
                }
            );
        }

        for (var i = 0; i < exercises; i++)
            materials.Add(
                new Material
                {
                    Id = 200 + i,
                    Group = 200 + i,
                    Kind = MaterialKind.Exercise,
                    Title = $"Exercise {i}",
                    Area = Area.Technique,
                    Target = new Bpm(100),
                    LastVisit = Day.AddDays(-1 - i),
                    Visits = i,
                    LastClean = i % 2 == 0 ? new Bpm(70) : null,
                    Reach = i % 2 == 0 ? Reach.At(70, 0.05) : null,
                    Memory = new Memory(2, 5),
                    Readiness = Readiness.Shaping,
                }
            );
        materials.Add(
            new Material
            {
                Id = 300,
                Kind = MaterialKind.Book,
                Title = "Tunes",
                Area = Area.SightReading,
                Examples = 500,
            }
        );
        return new DayRequest
        {
            Day = Day,
            Minutes = minutes,
            Routine = routine,
            Seed = seed,
            Materials = materials,
            Family = Family.Winds,
        };
    }
}
