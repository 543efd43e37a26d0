using Microsoft.EntityFrameworkCore;
using TuningFork.Core.Listening;
using TuningFork.Core.Theory;
using TuningFork.Data;
using TuningFork.Server.Features.Planning;
using TuningFork.Server.Hosting;

namespace TuningFork.Server.Features.Listening;

/// <summary>The pitches that were heard: how they are kept, and what habits they show.</summary>
public sealed class HeardPitch(PracticeDb db, PlanDesk plans, PracticeClock clock)
{
    private const int Days = 28;

    /// <summary>How each note was played over the last four weeks.</summary>
    public async Task<PitchHabitsView> HabitsAsync(CancellationToken cancel)
    {
        var profile = await plans.ProfileAsync(cancel);
        var instrument = ProfileBooks.InstrumentOf(profile);
        var from = clock.Today(profile).AddDays(1 - Days);
        var rows = await db.Heard.Where(row => row.Day >= from && row.Pitch != "" && !row.Simulated).AsNoTracking().ToListAsync(cancel);
        var habits = PitchHabit.Of(
            rows.SelectMany(row => HeardFigures.Pitch(row).Select(note => (row.Day, note.Midi, (double)note.Cents)))
        );
        var off = habits.Where(habit => habit.IsOff).ToList();
        return new PitchHabitsView(
            [
                .. habits.Select(habit => new PitchHabitView(
                    NoteNaming.OfSounding(habit.Midi, instrument, profile.Naming),
                    Math.Round(habit.Cents.Value, 1),
                    Math.Round(habit.Cents.PlusMinus, 1),
                    habit.IsOff,
                    habit.Days,
                    habit.Notes
                )),
            ],
            habits.Count == 0 ? $"A note is named here when it was heard on {PitchHabit.FewestDays} days of the last four weeks."
                : off.Count == 0 ? "No note is high or low by habit."
                : $"{string.Join(", ", off.Select(habit => NoteNaming.OfSounding(habit.Midi, instrument, profile.Naming)))}: slowly over the drone, until it is in its place at once."
        );
    }
}
