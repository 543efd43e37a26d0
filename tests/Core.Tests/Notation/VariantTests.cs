using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Notation.Variants;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

/// <summary>Every variant of forty-three scores: bars full, durations kept, chains and halves exact.</summary>
public sealed class VariantTests
{
    [Fact]
    public void Every_bar_of_every_variant_is_full_and_can_be_written()
    {
        foreach (var (name, score) in Samples())
        {
            foreach (var id in VariantMaker.Ids)
            {
                var variant = VariantMaker.Make(score, id);
                (variant.Steps.Count == 0).ShouldBe(variant.Reason.Length > 0, $"{name} {id}");
                foreach (var step in variant.Steps)
                {
                    step.Check().ShouldBeEmpty($"{name} {id}: {AbcWriter.Write(score)} became {AbcWriter.Write(step)}");
                    AbcReader.Read(AbcWriter.Write(step)).Score.Bars.Count.ShouldBe(step.Bars.Count, $"{name} {id}");
                }
            }
        }
    }

    [Fact]
    public void What_only_changes_notes_or_silence_keeps_every_length()
    {
        foreach (var (name, score) in Samples())
        {
            foreach (var id in new[] { "rhythm-alone", "melody-only", "silent-bars", "silent-beats", "silent-notes" })
            {
                foreach (var step in VariantMaker.Make(score, id).Steps)
                    step.Bars.Select(bar => string.Join(' ', bar.Elements.Select(element => element.Length)))
                        .ShouldBe(
                            score.Bars.Select(bar => string.Join(' ', bar.Elements.Select(element => element.Length))),
                            $"{name} {id}"
                        );
            }

            foreach (var id in new[] { "long-short", "short-long", "long-short-short" })
            {
                foreach (var step in VariantMaker.Make(score, id).Steps)
                    step.Bars.Select(bar => bar.Length).ShouldBe(score.Bars.Select(bar => bar.Length), $"{name} {id}");
            }
        }
    }

    [Fact]
    public void A_chain_of_n_notes_has_n_steps_and_each_step_one_more()
    {
        foreach (var (name, score) in Samples())
        {
            // Notes of a chord are one step.
            var notes = Heard(score)
                .GroupBy(note => note.At)
                .Select(group => string.Join('+', group.Select(note => note.Midi).Order()))
                .ToList();
            foreach (var id in new[] { "chain", "chain-end" })
            {
                var chain = VariantMaker.Make(score, id);
                if (chain.Reason.Length > 0)
                {
                    notes.Count.ShouldBeGreaterThan(32);
                    continue;
                }

                chain.Steps.Count.ShouldBe(notes.Count, name);
                for (var step = 0; step < chain.Steps.Count; step++)
                {
                    var expected = id == "chain" ? notes.Take(step + 1) : notes.Skip(notes.Count - step - 1);
                    Heard(chain.Steps[step])
                        .GroupBy(note => note.At)
                        .Select(group => string.Join('+', group.Select(note => note.Midi).Order()))
                        .ShouldBe(expected, $"{name} {id} {step}");
                }
            }
        }
    }

    [Fact]
    public void The_sounding_and_the_silent_half_make_the_whole()
    {
        foreach (var (name, score) in Samples())
        {
            foreach (var id in new[] { "silent-bars", "silent-beats", "silent-notes" })
            {
                var halves = VariantMaker.Make(score, id).Steps;
                if (halves.Count == 0)
                    continue;
                halves.Count.ShouldBe(2);
                halves
                    .SelectMany(Heard)
                    .OrderBy(note => note.At)
                    .ThenBy(note => note.Midi)
                    .ShouldBe(Heard(score).OrderBy(note => note.At).ThenBy(note => note.Midi), $"{name} {id}");
            }
        }
    }

    [Fact]
    public void Equal_values_and_triplets_keep_every_note_in_its_order()
    {
        foreach (var (name, score) in Samples())
        {
            foreach (var id in new[] { "equal-values", "triplets" })
            {
                foreach (var step in VariantMaker.Make(score, id).Steps)
                {
                    Heard(step).Select(note => note.Midi).ShouldBe(Heard(score).Select(note => note.Midi), $"{name} {id}");
                    Heard(step).Select(note => note.Length).Distinct().Count().ShouldBe(1);
                }
            }
        }
    }

    [Fact]
    public void In_another_key_all_distances_stay()
    {
        foreach (var (_, score) in Samples())
        {
            foreach (var key in Key.Majors)
            {
                var moved = VariantMaker.InKey(score, key);
                var shift = Heard(moved)[0].Midi - Heard(score)[0].Midi;
                shift.ShouldBeInRange(-6, 6);
                Heard(moved).Select(note => note.Midi - shift).ShouldBe(Heard(score).Select(note => note.Midi));
                ((moved.Key.Tonic.PitchClass - score.Key.Tonic.PitchClass + 12) % 12).ShouldBe((shift + 12) % 12);
            }
        }
    }

    [Fact]
    public void Bars_are_cut_out_with_their_key_and_metre_and_numbered_as_players_do()
    {
        var bars = Excerpt.Of(ScoreSamples.Upbeat, 0, 1);
        bars.Bars.Count.ShouldBe(2);
        bars.Check().ShouldBeEmpty();
        Excerpt.Of(ScoreSamples.Upbeat, 2, 2).Check().ShouldBeEmpty("a tie over its edge is let go");
        Should.Throw<ArgumentOutOfRangeException>(() => Excerpt.Of(ScoreSamples.Upbeat, 0, 9));
        foreach (var (name, score) in ScoreSamples.All())
        {
            for (var from = Excerpt.FirstBar(score); from < score.Bars.Count + Excerpt.FirstBar(score); from++)
                Excerpt.Of(score, from, score.Bars.Count - 1 + Excerpt.FirstBar(score)).Check().ShouldBeEmpty($"{name} from {from}");
        }
    }

    /// <summary>As passages are: without repeats.</summary>
    private static IEnumerable<(string Name, Score Score)> Samples() =>
        ScoreSamples
            .All()
            .Select(sample =>
                (
                    sample.Name,
                    Excerpt.Of(sample.Score, Excerpt.FirstBar(sample.Score), sample.Score.Bars.Count - 1 + Excerpt.FirstBar(sample.Score))
                )
            );

    private static List<(int Midi, Fraction At, Fraction Length)> Heard(Score score) =>
        [.. Performed.Notes(score with { ToSounding = Interval.Unison }).Select(note => (note.Midi, note.At, note.Length))];
}
