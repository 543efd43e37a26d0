using System.Globalization;
using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Listening;
using TuningFork.Core.Practice;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Listening;

/// <summary>The pitches that were heard: how they are kept, and what habits they show.</summary>
public sealed class HeardPitch(PracticeDb db, PlanDesk plans, PracticeClock clock)
{
    private const int Days = 28;

    /// <summary>"69:14,71:-3": sounding MIDI note number and cents.</summary>
    public static string Write(IReadOnlyList<NotePitch> notes) =>
        string.Join(',', notes.Select(note => string.Create(CultureInfo.InvariantCulture, $"{note.Midi}:{Math.Round(note.Cents)}")));

    /// <summary>How each note was played over the last four weeks.</summary>
    public async Task<PitchHabitsView> HabitsAsync(CancellationToken cancel)
    {
        var profile = await plans.ProfileAsync(cancel);
        var instrument = ProfileBooks.InstrumentOf(profile);
        var from = clock.Today(profile).AddDays(1 - Days);
        var rows = await db
            .Heard.Where(row => row.Day >= from && row.Pitch != "" && !row.Simulated)
            .Select(row => new { row.Day, row.Pitch })
            .ToListAsync(cancel);
        var habits = PitchHabit.Of(rows.SelectMany(row => Read(row.Pitch).Select(note => (row.Day, note.Midi, note.Cents))));
        var off = habits.Where(habit => habit.IsOff).ToList();
        return new PitchHabitsView(
            [
                .. habits.Select(habit => new PitchHabitView(
                    HandReader.Name(habit.Midi, instrument, profile.Naming),
                    Math.Round(habit.Cents.Value, 1),
                    Math.Round(habit.Cents.PlusMinus, 1),
                    habit.IsOff,
                    habit.Days,
                    habit.Notes
                )),
            ],
            habits.Count == 0 ? $"A note is named here when it was heard on {PitchHabit.FewestDays} days of the last four weeks."
                : off.Count == 0 ? "No note is high or low by habit."
                : $"{Words.Count(off.Count, "note")} high or low by habit: slowly over the drone, one after the other."
        );
    }

    private static IEnumerable<(int Midi, double Cents)> Read(string pitch) =>
        pitch
            .Split(',')
            .Select(note => note.Split(':'))
            .Select(note => (int.Parse(note[0], CultureInfo.InvariantCulture), double.Parse(note[1], CultureInfo.InvariantCulture)));
}
