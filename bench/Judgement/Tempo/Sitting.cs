using TuningFork.Core.Practice;

namespace TuningFork.Bench.Judgement.Tempo;

/// <summary>A sitting of music: its seconds, and what came of its takes.</summary>
internal sealed class Sitting(TempoLearner learner, TempoBook book, DateOnly day, double seconds, World world, Tally tally)
{
    private const double NotRecorded = 1 / 8.0;
    private const double Safe = 0.97;

    public TempoLearner Learner => learner;

    public TempoBook Book => book;

    public DateOnly Day => day;

    public double Left { get; private set; } = seconds;

    public Tally Tally => tally;

    /// <summary>What is being practised: playing a piece for its own sake is no music minute of the others.</summary>
    public Area Area { get; set; } = Area.Repertoire;

    /// <summary>Plays a take; the last one may go on after the time is up.</summary>
    /// <returns>Whether it was clean; null when it is not recorded.</returns>
    public (bool Clean, bool Recorded) Play(int passage, double tempo, int takeSeconds)
    {
        var target = book.Passages[passage].Piece!.Target!.Value;
        if (learner.Next(passage, target * 0.92) > Safe)
            tally.SafeSeconds += takeSeconds;
        Left -= takeSeconds;
        tally.MusicSeconds += Area == Area.Repertoire ? takeSeconds : 0;
        var clean = learner.Play(passage, tempo);
        tally.Takes++;
        return (clean, world != World.RealLife || learner.Luck() >= NotRecorded);
    }

    /// <summary>Time that brings nothing: free play, waiting.</summary>
    public void Idle(double seconds)
    {
        Left -= seconds;
        tally.IdleSeconds += seconds;
    }
}

/// <summary>What is counted over the days of one learner.</summary>
internal sealed class Tally
{
    public double SafeSeconds { get; set; }

    public double IdleSeconds { get; set; }

    public double MusicSeconds { get; set; }

    public int Takes { get; set; }

    public int WorkTakes { get; set; }

    public int WorkClean { get; set; }

    public int LongestNeglect { get; set; }
}
