using TuningFork.Core.Notation;

namespace TuningFork.Data.Demo;

/// <summary>Music for the demo, made up for it. What the demo says about a bar is true of its notes.</summary>
public static class DemoMusic
{
    /// <summary>
    /// Forty-eight bars of three quarters in written F major: a first strain, one over the break with a way through A major, and the
    /// first again with a high entry near its end.
    /// </summary>
    public const string Waltz = """
        X:1
        T:Ferry Waltz
        M:3/4
        L:1/8
        K:F
        F2 A2 c2 | d3 c A2 | B2 d2 B2 | A6 | G2 B2 d2 | c3 B A2 | G4 z2 | C2 EG cB |
        AG FE F2 | A4 F2 | B2 A2 G2 | c6 | d2 c2 B2 | A2 F2 D2 | G2 c2 E2 | F6 |
        FG AB cd | cB Ac BA | f4 d2 | c6 | B2 d2 f2 | e2 d2 c2 | d2 G2 B2 | A6 |
        F2 A2 d2 | d3 c B2 | A2 B2 c2 | d6 | f2 e2 d2 | e4 z2 | A=B ^cd e^f | ^ga ^g^f ed |
        ^c=B A^G A2 | d4 A2 | B2 A2 G2 | F2 E2 D2 | C2 E2 G2 | B4 A2 | G2 A2 B2 | c6 |
        F2 A2 c2 | d4 c2 | B2 G2 z2 | c'4 a2 | f2 d2 B2 | A2 G2 E2 | G2 c2 E2 | F6 |]
        """;

    /// <summary>The waltz as music is kept.</summary>
    public static string FerryWaltz() => ScoreJson.Write(AbcReader.Read(Waltz).Music.Each(voice => voice with { Title = "" }));
}
