using TuningFork.Core.Practice;
using TuningFork.Data.Rows;

namespace TuningFork.Data.Demo;

/// <summary>What a made-up player writes: true of his or her instrument and music, and of no other.</summary>
/// <param name="AboutPassages">Lines about a passage, by what is difficult in it.</param>
/// <param name="AboutExercises">Lines about an exercise, by its title.</param>
/// <param name="Whys">Why it went as it did, what helps, what to do next time, and a tag; by what is difficult.</param>
/// <param name="Phrases">Phrases written often.</param>
/// <param name="AboutReading">Lines about reading at sight.</param>
/// <param name="AboutSessions">Lines about a session.</param>
/// <param name="Shelf">Ideas, each for once.</param>
/// <param name="NotPlayed">A line on a day without playing.</param>
/// <param name="Carried">A line that is carried over to today.</param>
internal sealed record DemoWords(
    IReadOnlyDictionary<string, string[]> AboutPassages,
    IReadOnlyDictionary<string, string[]> AboutExercises,
    IReadOnlyDictionary<string, (string Cause, string Remedy, string NextTime, string Tag)> Whys,
    IReadOnlyList<string> Phrases,
    IReadOnlyList<string> AboutReading,
    IReadOnlyList<string> AboutSessions,
    IReadOnlyList<string> Shelf,
    string NotPlayed,
    string Carried
)
{
    /// <summary>What there is to say about a thing; nothing where there is no such line.</summary>
    public IReadOnlyList<string> About(MaterialRow? row) =>
        row switch
        {
            { Kind: MaterialKind.Passage } => AboutPassages.GetValueOrDefault(row.Difficulty, []),
            { Kind: MaterialKind.Book } => AboutReading,
            { } => AboutExercises.GetValueOrDefault(row.Title, []),
            null => [],
        };

    /// <summary>The clarinettist's.</summary>
    public static DemoWords Clarinet { get; } =
        new(
            new Dictionary<string, string[]>(StringComparer.Ordinal)
            {
                ["fingering"] =
                [
                    "Better slow. At speed the right hand lifts too far.",
                    "Little fingers were ready before the beat: clean at once.",
                ],
                ["join"] = ["Only the join is left.", "I stop listening at the join. Sing over it first."],
                ["rhythm"] = ["Late again: I count only after the first miss.", "Clapped it twice, then it was there."],
                ["coordination"] = ["Shoulders up by the third try.", "Tongue ahead of the fingers. Half as strong, then together."],
                ["tone"] = ["Clean when I hear it first.", "Thin when I bite. Air, not lips."],
                ["intonation"] = ["Sharp when I hurry, in tune when I wait.", "With the drone I hear it at once."],
            },
            new Dictionary<string, string[]>(StringComparer.Ordinal)
            {
                ["Scale, two octaves"] = ["Uneven over the break, even below it.", "The new keys cost a look each. Slower than I think."],
                ["F major, one octave at a time"] = ["Each octave alone is fine; joined, the upper one rushes."],
                ["D minor arpeggio"] = ["The top note is squeezed. More air on the way up."],
                ["Crossing the break in pairs"] =
                [
                    "Quiet fingers: the left hand moves before the air does.",
                    "Only when I stop checking does it cross.",
                ],
                ["Staccato on one note"] = ["After half a minute the tongue gets heavy. Shorter, twice."],
                ["Chromatic thirds, low register"] = ["Low fork fingerings are the slow ones."],
                ["Throat notes, one by one"] = ["Covering with the right hand helps more than I believed."],
            },
            new Dictionary<string, (string, string, string, string)>(StringComparer.Ordinal)
            {
                ["fingering"] = (
                    "fingers far from the keys",
                    "half as fast, fingers close",
                    "two slow takes before the first quick one",
                    "fingers"
                ),
                ["join"] = ("I breathe where the music does not", "sing over the bar line", "begin a bar earlier", "breath"),
                ["rhythm"] = ("counting starts too late", "clap it first", "count a bar aloud before the first take", "counting"),
                ["coordination"] = ("tongue before fingers", "slur it once, then tongue it", "slurred first", "tongue"),
                ["tone"] = ("biting", "long notes on its top note", "one long note before it", "reed"),
            },
            ["Hurried.", "Reed too soft.", "Tired, kept it short.", "Sang it first.", "Cold hands."],
            ["Kept going twice where I used to stop.", "Looked a bar ahead for whole lines.", "Read better once I stopped repairing."],
            [
                "Short but awake. Start with what slipped tomorrow.",
                "Tired; stayed slow and it was worth it.",
                "Sang everything before playing it today.",
                "Too fast too soon. Slower tomorrow.",
                "The hard bars first next time, while I am fresh.",
                "Twenty quiet minutes. More than I had hoped for.",
                "Wrote down less, played more.",
            ],
            [
                "The tune the bakery radio played: find the turn in the middle.",
                "Make something from three notes, and nothing else.",
                "The second clarinets have a line at letter C that I only hear when I stop.",
            ],
            "Not played: late home. Heard the march in my head on the way, the middle part is clear now.",
            "Ask in the section where they breathe before the last page."
        );

    /// <summary>The drummer's.</summary>
    public static DemoWords HandDrum { get; } =
        new(
            new Dictionary<string, string[]>(StringComparer.Ordinal)
            {
                ["join"] = ["Only the way back into the groove is left.", "I wait for the break instead of counting through it."],
                ["rhythm"] = ["Late after the rest: I count only after the first miss.", "Said it aloud twice, then it was there."],
                ["coordination"] = ["Shoulders up by the third try.", "The left hand copies the right. Half as loud, then together."],
                ["tone"] = ["Open when the hand falls by itself.", "Pinched when I hit instead of dropping. Let it bounce."],
            },
            new Dictionary<string, string[]>(StringComparer.Ordinal)
            {
                ["Single strokes, even hands"] = ["The left hand is lighter. Begin with the left tomorrow."],
                ["Doubles, soft"] = ["The second stroke dies away above 110. Lower, not harder."],
                ["Low, open, slap, open"] = ["The slap eats the open stroke after it. Softer slaps."],
                ["Groove of four, left hand leads"] = ["Fine until I think about which hand leads."],
                ["Seven as two, two, three"] = ["The three comes out short. Walk it once around the room."],
            },
            new Dictionary<string, (string, string, string, string)>(StringComparer.Ordinal)
            {
                ["join"] = ("I stop counting in the break", "say the numbers through it", "begin a bar earlier", "counting"),
                ["rhythm"] = ("counting starts too late", "say it aloud first", "count a bar aloud before the first take", "counting"),
                ["coordination"] = (
                    "both hands at one height",
                    "left hand alone, then very softly together",
                    "left hand alone first",
                    "hands"
                ),
                ["tone"] = ("a tight wrist", "let the hand fall and bounce", "ten slow open strokes before it", "wrist"),
            },
            ["Hurried.", "Hands tired.", "Kept it short.", "Said it first.", "Cold hands."],
            ["Kept going twice where I used to stop.", "Looked a bar ahead for whole lines.", "Read better once I stopped repairing."],
            [
                "Short but awake. Start with what slipped tomorrow.",
                "Tired; stayed slow and it was worth it.",
                "Walked the seven before playing it today.",
                "Too fast too soon. Slower tomorrow.",
                "The hard bars first next time, while I am fresh.",
                "Twenty quiet minutes. More than I had hoped for.",
            ],
            [
                "The pattern of the washing machine: five against its four.",
                "Make something from one low stroke and silence.",
                "A fill that ends before the one, not on it.",
            ],
            "Not played: late home. Tapped the seven on the tram rail, and it held.",
            "Ask on Thursday who gives the sign for the break."
        );
}
