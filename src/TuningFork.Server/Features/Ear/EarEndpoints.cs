using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.EarTraining;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Features.Reading;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Ear;

/// <summary>Rounds for the ear over HTTP: question by question, each answer kept, and what is confused with what.</summary>
public static class EarEndpoints
{
    private const double MostSeconds = 600;

    /// <summary>Weeks of the picture.</summary>
    private const int Weeks = 12;

    public static void MapEar(this WebApplication app)
    {
        var group = app.MapGroup("/api/ear").WithTags("Ear");
        group.MapGet("", BookAsync).WithName("GetEar");
        group
            .MapGet(
                "/question",
                async (PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel, [FromQuery] string[]? only = null) =>
                    await RoundAsync(Only(only), db, desk, clock, cancel)
            )
            .WithName("GetEarQuestion");
        group.MapPost("/answers", AnswerAsync).WithName("AnswerByEar");
        group.MapPut("/wishes", WishAsync).WithName("SetEarWishes");
    }

    private static async Task<EarRoundView> RoundAsync(
        IReadOnlyList<string> only,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel,
        EarMarkedView? marked = null
    )
    {
        var profile = await desk.ProfileAsync(cancel);
        // A round of only these asks them, left out or not.
        var items = only.Count > 0 ? EarItems.For(ProfileBooks.InstrumentOf(profile).IsPitched) : EarDesk.ItemsOf(profile);
        var request = await EarDesk.RequestAsync(db, clock.Today(profile), items, only, cancel);
        var today = Today(request);
        if (EarRound.Next(request) is not { } choice)
            return new EarRoundView(null, today, marked);
        var ground = EarGround.Round(profile.EarCentre, request.Seed);
        return new EarRoundView(
            new EarQuestionView(
                KindOf(choice.Item.Family),
                choice.Item.Key,
                choice.Item.Name,
                EarSounds.Ask(choice.Item.Family),
                EarItems.NameOf(choice.Item.Family),
                EarDesk.Words(choice, request),
                EarSounds.Question(choice.Item, ground),
                [
                    .. (KindOf(choice.Item.Family) == EarKind.Choose ? choice.Alternatives : [choice.Item]).Select(
                        one => new EarAlternative(one.Key, one.Answer, EarSounds.Answer(one, ground))
                    ),
                ],
                choice.Item.Family == EarFamily.Lines ? LineOf(ground.Home, ProfileBooks.InstrumentOf(profile)) : null,
                choice.Item.Family == EarFamily.RhythmEcho ? TapOf() : null
            ),
            today,
            marked
        );
    }

    private static EarKind KindOf(EarFamily family) =>
        family switch
        {
            EarFamily.RhythmEcho => EarKind.Tap,
            EarFamily.Lines => EarKind.Notes,
            _ => EarKind.Choose,
        };

    /// <summary>A line as the instrument writes it, with keys from a third below home to a third above its octave.</summary>
    private static EarLineView LineOf(int home, Instrument instrument)
    {
        const int beyond = 4;
        var written = home - instrument.Transposition;
        var key = Key.OfPitchClass(((written % 12) + 12) % 12);
        return new EarLineView(
            EarLines.Notes,
            key.Name,
            [
                .. Enumerable
                    .Range(1, 8)
                    .Select(degree => new EarStepView(degree, LetterOf(key, degree), EarLines.Sounding([degree], home)[0])),
            ],
            KeysView.Of(written - beyond, written + 12 + beyond, instrument)
        );
    }

    private static string LetterOf(Key key, int degree)
    {
        var step = (Step)(((int)key.Tonic.Step + degree - 1) % 7);
        return new NoteName(step, key.AlterationOf(step)).Printed;
    }

    private static EarTapView TapOf()
    {
        const double beat = 60.0 / EarLines.EchoTempo;
        const int from = EarLines.CountIn + EarLines.EchoBeats;
        return new EarTapView(from * beat, (from + EarLines.EchoBeats) * beat, EarLines.EchoTempo);
    }

    private static EarToday Today(EarRequest request) =>
        new(
            request.Today.Count,
            request.Today.Count(answer => answer.Right),
            request.Items.Count(item => request.Standings.TryGetValue(item.Key, out var known) && known.Due <= request.Day)
        );

    private static async Task<EarRoundView> AnswerAsync(
        EarAnswerWish wish,
        PracticeDb db,
        PlanDesk desk,
        PracticeClock clock,
        CancellationToken cancel
    )
    {
        var only = Only(wish.Only);
        var item = Known("item", wish.Item);
        var said = wish.Said is { } chosen ? Known("said", chosen) : null;
        if (said is null && wish.Right is null && wish.Taps is null && wish.Notes is null)
            throw new FieldException("right", "Answered aloud, it has to be said whether it was right.");
        if (said is not null && said.Family != item.Family)
            throw new FieldException("said", $"{said.Name} is no answer to a question about {EarItems.NameOf(item.Family)}.");
        if (wish.Seconds is < 0 or > MostSeconds or double.NaN)
            throw new FieldException("seconds", $"The time of an answer lies between 0 and {MostSeconds:0} seconds.");
        EarMarkedView? marked = null;
        if (!await db.EarAnswers.AnyAsync(row => row.Key == wish.Key, cancel))
        {
            var profile = await desk.ProfileAsync(cancel);
            marked = await EarGivenBack.MarkAsync(db, wish, item, clock.Today(profile), profile.EarCentre, cancel);
            var row = new EarAnswerRow
            {
                Key = wish.Key,
                Day = clock.Today(profile),
                AtUtc = clock.UtcNow,
                Item = item.Key,
                Said = said?.Key,
                Right = marked?.Right ?? (said is null ? wish.Right!.Value : said == item),
                Seconds = wish.Seconds,
            };
            await EarDesk.KeepAsync(db, row, wish.Alternatives, cancel);
        }

        return await RoundAsync(only, db, desk, clock, cancel, marked);
    }

    private static async Task<EarView> BookAsync(PracticeDb db, PlanDesk desk, PracticeClock clock, CancellationToken cancel)
    {
        var profile = await desk.ProfileAsync(cancel);
        var day = clock.Today(profile);
        var isPitched = ProfileBooks.InstrumentOf(profile).IsPitched;
        var request = await EarDesk.RequestAsync(db, day, EarDesk.ItemsOf(profile), [], cancel);
        var counts = await EarDesk.CountsAsync(db, day, cancel);
        var from = day.AddDays(-(Weeks * 7) + 1);
        var days = await db
            .EarAnswers.Where(row => row.Day >= from)
            .GroupBy(row => row.Day)
            .Select(group => new
            {
                Day = group.Key,
                Asked = group.Count(),
                Right = group.Count(row => row.Right),
            })
            .ToListAsync(cancel);
        return new EarView(
            isPitched,
            request.Items.Count(item => request.Standings.ContainsKey(item.Key)),
            request.Items.Count,
            Today(request),
            [.. request.Confused.Select(pair => View(pair, counts))],
            [
                .. request
                    .Items.GroupBy(item => item.Family)
                    .Select(family => Family(family.Key, [.. family], request))
                    .Where(family => family.Open > 0),
            ],
            [
                .. Enumerable
                    .Range(0, Weeks)
                    .Select(week => from.AddDays(week * 7))
                    .Select(start =>
                    {
                        var week = days.Where(one => one.Day >= start && one.Day < start.AddDays(7)).ToList();
                        return new EarWeekView(start, week.Sum(one => one.Asked), week.Sum(one => one.Right));
                    }),
            ],
            await CopyEndpoints.StandsAsync(db, ProfileBooks.InstrumentOf(profile), cancel),
            EarRound.NextNew(request)?.Name ?? "",
            OpensWhen(request),
            [
                .. EarItems
                    .For(isPitched)
                    .Select(item => item.Family)
                    .Distinct()
                    .Select(family => new EarChoiceView(family, EarItems.NameOf(family), EarDesk.LeftOut(profile).Contains(family))),
            ]
        );
    }

    private static async Task WishAsync(EarWish wish, PracticeDb db, CancellationToken cancel)
    {
        var profile = await db.Profiles.OrderBy(row => row.Id).FirstAsync(cancel);
        if (wish.LeftOut.Any(family => !Enum.IsDefined(family)))
            throw new FieldException("leftOut", "There is no such family.");
        var families = EarItems.For(ProfileBooks.InstrumentOf(profile).IsPitched).Select(item => item.Family).Distinct();
        if (!families.Except(wish.LeftOut).Any())
            throw new FieldException("leftOut", "Something has to be asked. Leave one in.");
        profile.EarLeftOut = string.Join(',', wish.LeftOut.Distinct());
        await db.SaveChangesAsync(cancel);
    }

    private static string OpensWhen(EarRequest request) =>
        request.Standings.Count < EarRound.NewOnTheFirst ? "in this round"
        : request.RightLately < EarRound.RightToOpen
            ? $"when {100 * EarRound.RightToOpen:0} % of what was asked lately is right; now {100 * request.RightLately:0} %"
        : "in the next rounds, two a day at most";

    private static EarFamilyView Family(EarFamily family, IReadOnlyList<EarItem> items, EarRequest request) =>
        new(
            EarItems.NameOf(family),
            items.Count(item => request.Standings.ContainsKey(item.Key)),
            [
                .. items.Select(item =>
                    request.Standings.TryGetValue(item.Key, out var known)
                        ? new EarItemView(item.Key, item.Answer, Math.Round(known.Memory.Stability, 1), known.Due, known.Asked, known.Right)
                        : new EarItemView(item.Key, item.Answer, null, null, 0, 0)
                ),
            ]
        );

    private static ConfusionView View(Confusion pair, IReadOnlyList<(string Item, string Said, int Times)> counts)
    {
        int Taken(EarItem one, EarItem other) =>
            counts.Where(count => count.Item == one.Key && count.Said == other.Key).Sum(count => count.Times);
        return new ConfusionView(
            pair.Words,
            pair.One.Answer,
            pair.Other.Answer,
            [pair.One.Key, pair.Other.Key],
            Taken(pair.One, pair.Other),
            Taken(pair.Other, pair.One),
            Confusions.RemedyOf(pair.One.Family)
        );
    }

    private static EarItem Known(string field, string key) =>
        EarItems.Find(key) ?? throw new FieldException(field, $"There is nothing for the ear called \"{key}\".");

    private static IReadOnlyList<string> Only(IReadOnlyList<string>? only)
    {
        if (only is null or { Count: 0 })
            return [];
        if (only.Count < 2)
            throw new FieldException("only", "A round of only a few needs two at least.");
        foreach (var item in Problems.Whole("only", only))
            Known("only", item);
        return only;
    }
}
