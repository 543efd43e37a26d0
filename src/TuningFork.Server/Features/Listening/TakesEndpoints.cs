using System.Text.Json;
using TuningFork.Core.Listening;
using TuningFork.Data;
using TuningFork.Data.Rows;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Listening;

/// <summary>Takes on the stage are listened to over a WebSocket; what came of them is asked for and marked over HTTP.</summary>
public static class TakesEndpoints
{
    private const double MostDelay = 1_000;

    /// <summary>More faults that pass are no verdict.</summary>
    private const int MostPassing = 20;

    /// <summary>Full scale, nearly: the sound is cut off there.</summary>
    private const float Clipped = 0.999f;

    /// <summary>So many samples at full scale in one block are no accident.</summary>
    private const int ManyClipped = 8;

    public static void MapTakes(this WebApplication app)
    {
        SampleSocket.Describe(app.MapMethods("/api/listen/takes", SampleSocket.OpenedBy, ListenAsync));
        var group = app.MapGroup("/api/heard").WithTags("Listening");
        group
            .MapGet("", (HeardBooks books, CancellationToken cancel, int? materialId = null, DateOnly? day = null, int? before = null) =>
                books.ListAsync(materialId, day, before, cancel)
            )
            .WithName("GetHeard");
        group.MapGet("/pitch", (HeardPitch pitch, CancellationToken cancel) => pitch.HabitsAsync(cancel)).WithName("GetPitchHabits");
        group
            .MapGet("/rules", async (PlanDesk plans, CancellationToken cancel) => RulesOf(await plans.ProfileAsync(cancel)))
            .WithName("GetVerdictRules");
        group.MapPut("/rules", SetRulesAsync).WithName("SetVerdictRules");
        group.MapGet("/trust", (HeardBooks books, CancellationToken cancel) => books.TrustAsync(cancel)).WithName("GetTrust");
        group
            .MapPut("/{id:int}", (int id, MarkRequest mark, HeardBooks books, CancellationToken cancel) =>
                books.MarkAsync(id, mark.Clean, cancel)
            )
            .WithName("MarkHeard");
    }

    /// <summary>What a take of this player is missed for.</summary>
    internal static VerdictRules RulesOf(ProfileRow profile) =>
        profile.VerdictJson.Length == 0
            ? new VerdictRules()
            : JsonSerializer.Deserialize<VerdictRules>(profile.VerdictJson, Bookkeeping.Json) ?? new VerdictRules();

    private static async Task<VerdictRules> SetRulesAsync(VerdictRules rules, PlanDesk plans, PracticeDb db, CancellationToken cancel)
    {
        foreach (
            var (field, passing) in new[]
            {
                ("mostWrong", rules.MostWrong),
                ("mostMissing", rules.MostMissing),
                ("mostAdditional", rules.MostAdditional),
            }
        )
        {
            if (passing is < 0 or > MostPassing)
                throw new FieldException(field, $"0 to {MostPassing} notes of a take can pass.");
        }

        var profile = await plans.ProfileAsync(cancel);
        profile.VerdictJson = JsonSerializer.Serialize(rules, Bookkeeping.Json);
        await db.SaveChangesAsync(cancel);
        return rules;
    }

    private static async Task ListenAsync(
        HttpContext context,
        HandReader reader,
        HeardBooks books,
        Ledger ledger,
        Turns turns,
        int rate,
        double delay = 0,
        double plusMinus = 0,
        bool simulated = false,
        CancellationToken cancel = default
    )
    {
        if (!(delay is >= -MostDelay and <= MostDelay && plusMinus is >= 0 and <= MostDelay))
            throw new FieldException("delay", "A delay is at most a second, and so is what it may be off.");
        var (hand, word) = await reader.OfAsync(new Estimate(delay, plusMinus), cancel);
        using var socket = await SampleSocket.OpenAsync(context, rate);
        var listener = hand is null ? null : new TakeListener(rate, hand.Wish);
        var book = ledger.Of(context);
        var notes = 0;
        await socket.SendAsync(new ListenView(0, null, word, Waits: hand is null), cancel);
        await socket.HearAsync(
            async (samples, until) =>
            {
                if (listener is null)
                    return;
                var take = listener.Add(samples);
                if (take is not null)
                {
                    // The program may be asked for other things meanwhile: one writer at a time.
                    using var turn = await turns.TakeAsync(book, until);
                    var heard = await books.KeepAsync(hand!, take, simulated, until);
                    await socket.SendAsync(new ListenView(listener.Notes, heard, ""), until);
                }
                else if (samples.Count(sample => Math.Abs(sample) >= Clipped) >= ManyClipped)
                    await socket.SendAsync(
                        new ListenView(listener.Notes, null, "Too loud for the microphone: turn it down, or stand further off."),
                        until
                    );
                else if (listener.Notes != notes)
                    await socket.SendAsync(new ListenView(listener.Notes, null, ""), until);
                notes = listener.Notes;
            },
            (words, _) => Task.FromResult(Understood(words, listener)),
            cancel
        );
    }

    /// <summary>{"click": seconds of what is heard at which a beat sounds, or null, "drone": its hertz, or null}.</summary>
    private static bool Understood(JsonElement words, TakeListener? listener)
    {
        if (
            !TryNumber(words, "click", out var click)
            || !TryNumber(words, "drone", out var drone)
            || drone is < TakeListener.LowestDrone or > TakeListener.HighestDrone
        )
            return false;
        listener?.Click(click);
        listener?.Drone(drone);
        return true;
    }

    /// <summary>A number, or null where there is none; false for anything else.</summary>
    private static bool TryNumber(JsonElement words, string name, out double? number)
    {
        number = null;
        if (words.ValueKind != JsonValueKind.Object)
            return false;
        if (!words.TryGetProperty(name, out var value) || value.ValueKind == JsonValueKind.Null)
            return true;
        if (value.ValueKind != JsonValueKind.Number || !value.TryGetDouble(out var one) || !double.IsFinite(one))
            return false;
        number = one;
        return true;
    }
}
