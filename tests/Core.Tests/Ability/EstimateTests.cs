using Shouldly;
using TuningFork.Core.Ability;
using Xunit;

namespace TuningFork.Core.Tests.Ability;

/// <summary>
/// Known thresholds are found again: three made-up learners whose curves are not the estimator's, with a spread of 4 to 9 %
/// (4 to 7.5 % where the form of each day shifts all its takes by up to 6 % as well) and a first take of the day that is 3 % harder. The
/// check that counts for
/// adaptive estimation (QUEST: Watson and Pelli 1983, from memory).
/// </summary>
public sealed class EstimateTests
{
    private const int Learners = 1500;
    private const string Form = "day's form";

    /// <summary>
    /// Chance of a clean take over the logarithm of tempo over threshold, the threshold being where five of six are clean.
    /// </summary>
    private static readonly Dictionary<string, Func<double, double, double>> Curves = new(StringComparer.Ordinal)
    {
        ["logistic"] = (x, spread) => 1 / (1 + Math.Exp((x / spread) - Math.Log(5))),
        ["Weibull with lapses"] = (x, spread) => 0.97 * Math.Exp(-Math.Log(0.97 * 6 / 5) * Math.Exp(x / spread)),
        [Form] = (x, spread) => 1 / (1 + Math.Exp((x / spread) - Math.Log(5))),
    };

    public static TheoryData<string> Kinds => [.. Curves.Keys];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Five_takes_a_visit_find_the_reach_in_three_visits(string kind)
    {
        Within(kind, takes: 5, slow: false).Near.ShouldBeGreaterThan(0.75);
        Within(kind, takes: 5, slow: true).Near.ShouldBeGreaterThan(0.60);
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Eight_takes_find_it_closer(string kind)
    {
        Within(kind, takes: 8, slow: false).Near.ShouldBeGreaterThan(0.85);
        Within(kind, takes: 8, slow: true).Near.ShouldBeGreaterThan(0.70);
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Four_times_in_five_the_truth_lies_in_the_range(string kind)
    {
        foreach (var (takes, slow) in new[] { (3, false), (5, false), (8, false), (5, true), (8, true) })
            Within(kind, takes, slow).Held.ShouldBeInRange(0.75, 0.90);
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Slow_takes_alone_leave_it_wide(string kind) =>
        Within(kind, takes: 5, slow: true, onlySlow: true).Spread.ShouldBeGreaterThan(0.15);

    [Theory]
    [InlineData(0.5)]
    [InlineData(0.65)]
    public void Clean_slow_work_never_lowers_the_reach(double part)
    {
        var now = new Reach(Math.Log(90), 0.06);
        for (var visit = 1; visit <= 10; visit++)
        {
            var after = After(now, Enumerable.Repeat(new Evidence(now.Tempo * part, Clean: true), 6));
            after.Tempo.ShouldBeGreaterThanOrEqualTo(now.Tempo * 0.999);
            now = after;
        }
    }

    [Fact]
    public void A_miss_far_below_says_much_and_a_clean_take_there_next_to_nothing()
    {
        var now = new Reach(Math.Log(90), 0.06);
        double Moves(double tempo, bool clean) => Math.Log(After(now, [new Evidence(tempo, clean)]).Tempo / now.Tempo);
        Moves(60, clean: true).ShouldBeInRange(0, 0.002);
        Moves(80, clean: false).ShouldBeLessThan(-0.02);
        Moves(95, clean: true).ShouldBeGreaterThan(Moves(80, clean: true));
    }

    [Theory]
    [InlineData(3)]
    [InlineData(30)]
    public void Away_it_sinks_a_little_and_grows_unsure_less_what_was_often_visited(int days)
    {
        var kept = new Reach(Math.Log(90), 0.05);
        var (new1, old) = (Estimate.Later(kept, days, 2), Estimate.Later(kept, days, 40));
        new1.Tempo.ShouldBeInRange(90 * 0.93, 90);
        old.Tempo.ShouldBeGreaterThan(new1.Tempo);
        new1.Spread.ShouldBeGreaterThan(old.Spread);
        old.Spread.ShouldBeGreaterThan(kept.Spread);
        Estimate.Later(kept, 0, 2).ShouldBe(kept);
    }

    /// <summary>Growth and the width of the curve become the player's own: a fast, even learner is told from a slow, uneven one.</summary>
    [Fact]
    public void Traits_are_learnt_from_the_takes()
    {
        Lives(growth: 0.012, width: 0.06).Rate.ShouldBeInRange(0.01, 0.02);
        Lives(growth: 0.002, width: 0.06).Rate.ShouldBeInRange(0.001, 0.0035);
        Lives(growth: 0.006, width: 0.035).Width.ShouldBeLessThan(0.055);
        Lives(growth: 0.006, width: 0.1).Width.ShouldBeGreaterThan(0.07);
    }

    private static Reach After(Reach now, IEnumerable<Evidence> takes) =>
        Estimate.Keep(now, Estimate.During(Estimate.Morning(now, Traits.Usual, 120), takes));

    private static (double Rate, double Width) Lives(double growth, double width)
    {
        var traits = Traits.Usual;
        for (var number = 0; number < 6; number++)
        {
            var random = new Random(number);
            var (truth, now) = (Math.Log(70), Reach.At(70, 0.1));
            for (var visit = 0; visit < 30; visit++)
            {
                now = Estimate.Later(now, 1, visit);
                var (morning, takes) = (Estimate.Morning(now, traits, 130), new List<Evidence>());
                for (var day = DayReach.At(morning); takes.Count < 5; day = day.After(takes[^1]))
                {
                    var at = day.For(
                        takes.Count % 3 == 0 ? 0.93
                        : takes.Count % 3 == 1 ? 0.83
                        : 0.6
                    );
                    takes.Add(new Evidence(at, random.NextDouble() < 1 / (1 + Math.Exp(((Math.Log(at) - truth) / width) - Math.Log(5)))));
                    truth += growth * (Math.Log(150) - truth);
                }

                var after = Estimate.Keep(now, Estimate.During(morning, takes));
                traits = traits.After(morning, takes, now, after);
                now = after;
            }
        }

        return (traits.Rate, traits.Width);
    }

    private static (double Near, double Held, double Spread) Within(string kind, int takes, bool slow, bool onlySlow = false)
    {
        var (near, held, spread) = (0, 0, 0.0);
        for (var number = 0; number < Learners; number++)
        {
            var random = new Random((number * 17) + takes);
            var truth = Math.Log(60 + (100 * random.NextDouble()));
            var width = 0.04 + ((kind == Form ? 0.035 : 0.05) * random.NextDouble());
            var now = new Reach(truth + (0.25 * Normal(random)), Estimate.FirstSpread);
            for (var visit = 0; visit < 3; visit++)
            {
                var form = kind == Form ? 0.12 * (random.NextDouble() - 0.5) : 0;
                now = Estimate.Later(now, visit == 0 ? 0 : 1, visit);
                var day = DayReach.At(Estimate.Morning(now, Traits.Usual, null));
                for (var take = 0; take < takes; take++)
                {
                    var tempo = onlySlow || (slow && (take + visit) % 2 == 0) ? day.Tempo * 0.65 : day.Tempo;
                    day = day.After(
                        new Evidence(
                            tempo,
                            random.NextDouble() < Curves[kind](Math.Log(tempo) - truth - form + (take == 0 ? 0.03 : 0), width)
                        )
                    );
                }

                now = Estimate.Keep(now, day);
            }

            near += Math.Abs(now.Log - truth) < Math.Log(1.06) ? 1 : 0;
            held += Math.Log(now.Low) < truth && truth < Math.Log(now.High) ? 1 : 0;
            spread += now.Spread / Learners;
        }

        return ((double)near / Learners, (double)held / Learners, spread);
    }

    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
