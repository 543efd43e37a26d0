namespace TuningFork.Core.Practice;

/// <summary>The methods that come with the program.</summary>
public static class Methods
{
    /// <summary>Easy sound and motion.</summary>
    public static Method EaseIn { get; } =
        new(
            new("ease-in"),
            "ease in",
            "Easy and comfortable, eyes off the page. Seat, back, shoulders, jaw, hands: find what is tight and let it go. Nothing faster than attention can follow.",
            (1, 10),
            "nothing",
            "Fits before anything hard. Leave it when sound and hands feel at home.",
            Course.Timed
        );

    /// <summary>Reading something new very slowly.</summary>
    public static Method SlowReading { get; } =
        new(
            new("slow-reading"),
            "slow first reading",
            "Read it very slowly with a steady beat, once, without repairing. Note what trips you.",
            (2, 5),
            "what tripped",
            "Fits new music. Leave it once you know where the trouble is.",
            Course.Timed
        );

    /// <summary>Numbers of a book, each once.</summary>
    public static Method FirstLook { get; } =
        new(
            new("first-look"),
            "first look through",
            "The first line of each number, once, without repairing. Say what it is: easy, hard, or for later.",
            (2, 10),
            "easy, hard or later, every number",
            "Fits a new book of exercises. Leave it when all of it was looked at.",
            Course.Timed
        );

    /// <summary>One take of each, round and round.</summary>
    public static Method OneTakeRounds { get; } =
        new(
            new("one-take-rounds"),
            "one take each, in rounds",
            "Play each passage once and stop at its end. Clean or not, go on to the next; every round comes in another order. It feels worse than staying on one, and it works better.",
            (3, 10),
            "clean or missed, every take",
            "Fits whatever can be played at all. Leave it for a passage that falls apart every time.",
            Course.Rounds
        );

    /// <summary>Work and rest in turns.</summary>
    public static Method WorkRestRounds { get; } =
        new(
            new("work-rest"),
            "work-rest rounds",
            "Work on one passage, then rest with the hands down. After each rest comes the next passage.",
            (9, 30),
            "clean or missed, when you mark it",
            "Fits longer blocks. Leave it when the rest no longer refreshes.",
            Course.WorkRest
        );

    /// <summary>Three clean in a row.</summary>
    public static Method CleanInRow { get; } =
        new(
            new("clean-in-row"),
            "three clean in a row",
            "Same tempo each time. Three clean takes running and it is done; a miss counts anew. If it is too hard: slower, or smaller.",
            (2, 5),
            "clean or missed, every take",
            "Fits raw and shaping material. Leave it after five minutes, done or not.",
            Course.CleanInRow,
            3
        );

    /// <summary>Two minutes without a miss.</summary>
    public static Method CleanMinutes { get; } =
        new(
            new("clean-minutes"),
            "two minutes without a miss",
            "Round and round, at whatever tempo lets it be right. Press only a miss: a little slower, and the minutes begin anew.",
            (2, 5),
            "misses only; each round without one is clean",
            "Fits raw passages. Leave it after five minutes, done or not.",
            Course.CleanMinutes,
            2
        );

    /// <summary>A fixed number, slowly.</summary>
    public static Method FixedCount { get; } =
        new(
            new("fixed-count"),
            "six times, slowly",
            "Six takes, slow enough that each can be right. Think it through before you play it.",
            (2, 5),
            "clean or missed, every take",
            "Fits raw material and fresh fingerings. Leave it when all six are clean.",
            Course.FixedCount,
            6
        );

    /// <summary>The tempo climbs by rule.</summary>
    public static Method TempoLadder { get; } =
        new(
            new("tempo-ladder"),
            "tempo ladder",
            "Three clean in a row and the tempo goes up; a miss and it steps back. The tempo never creeps within a take.",
            (2, 10),
            "tempo and clean or missed, every take",
            "Fits what is clean but slow. Leave it when shoulders or hands tighten.",
            Course.Ladder
        );

    /// <summary>Today's keys, one after the other.</summary>
    public static Method KeyRound { get; } =
        new(
            new("key-round"),
            "today's keys, in turn",
            "Each key once, then the next; round again while there is time. Stop only to repair. Another key begins tomorrow, so that each gets a fresh start.",
            (2, 10),
            "clean or missed, every key",
            "Fits scales, arpeggios and shapes that work in any key. Leave it when all keys sound alike.",
            Course.Rounds
        );

    /// <summary>Back and forth between keys or chords.</summary>
    public static Method KeyShuttle { get; } =
        new(
            new("key-shuttle"),
            "shuttle",
            "Back and forth on the click until both are found without searching; then three, four, six, twelve. Stop only to repair; then again from the beginning.",
            (2, 10),
            "each run: without a stop or not",
            "Fits keys and chords that still have to be looked for. Leave it when twelve go by without a stop.",
            Course.Run
        );

    /// <summary>Chords on the click.</summary>
    public static Method ChordChanges { get; } =
        new(
            new("chord-changes"),
            "changes on the click",
            "Each chord stands on its first beat. The click does not ask whether you are fast; it asks whether you are there. Mark every chord that came late.",
            (2, 6),
            "arrivals on the click",
            "Fits changes and progressions. Leave it when all arrive, and raise the click by little.",
            Course.Run
        );

    /// <summary>All positions of a chord.</summary>
    public static Method Inversions { get; } =
        new(
            new("inversions"),
            "every position, against the clock",
            "Find all positions of one chord, from root position up, before the time is over. Look, then play; no groping.",
            (2, 6),
            "seconds for each chord",
            "Fits chords known only in one place. Leave it when all are found at leisure.",
            Course.Clock
        );

    /// <summary>The next only when this one is right.</summary>
    public static Method OneByOne { get; } =
        new(
            new("one-by-one"),
            "one by one",
            "Go on only when this one is centred; else again. There is no hurry: it stops at its time, keeps its place and goes on there next time.",
            (3, 10),
            "steps done and retries",
            "Fits intonation, tone and placement. Leave it at its time, wherever it is.",
            Course.Steps
        );

    /// <summary>Fewer notes until they meet the click.</summary>
    public static Method HalfDensity { get; } =
        new(
            new("half-density"),
            "fewer notes to the click",
            "After days away fingers drift off the click, mostly early. Not faster: fewer notes to the same click, until note and click are one. Two clean, and twice as many, up to what is written.",
            (2, 5),
            "clean or missed, every take",
            "Fits what has been away for a week or more. Leave it after three clean in a row.",
            Course.Densities,
            3
        );

    /// <summary>Twice as many notes, and twice as many again.</summary>
    public static Method SubdivisionLadder { get; } =
        new(
            new("subdivision-ladder"),
            "subdivision ladder",
            "The click stays: whole notes, halves, quarters, eighths, sixteenths. Mark a rung right when sound, tuning and hand stayed good; one that broke comes again after the one below.",
            (2, 5),
            "the highest rung that held",
            "Fits scales and arpeggios whose notes are known. Leave it where a rung broke twice.",
            Course.Rungs,
            1
        );

    /// <summary>Both limits.</summary>
    public static Method FastestAndSlowest { get; } =
        new(
            new("fastest-slowest"),
            "fastest and slowest",
            "Three minutes to find both limits. A beat faster after each clean take until it broke twice; then slower in tens until the line falls apart. It is a measurement: what breaks, breaks.",
            (3, 4),
            "the fastest and the slowest clean tempo",
            "Fits what is known and has a tempo, now and then. Leave it when both are found.",
            Course.Probe
        );

    /// <summary>A short burst, then something else.</summary>
    public static Method BurstAndSwitch { get; } =
        new(
            new("burst-and-switch"),
            "burst and switch",
            "One short burst, then the other thing, and back. Four clean bursts and the click goes up; a miss and it steps back. Fifteen minutes at most.",
            (3, 15),
            "tempo and clean or missed, every burst",
            "Fits what is nearly up to tempo. Leave it when shoulders or hands tighten.",
            Course.Bursts
        );

    /// <summary>Three bars and one made up.</summary>
    public static Method ThreeAndOne { get; } =
        new(
            new("three-and-one"),
            "three bars and one made up",
            "Three bars of the groove, the fourth is yours; the beat goes on. Write down what you want to keep.",
            (2, 8),
            "nothing",
            "Fits a groove that stands by itself. Leave it when the fourth bar comes without thinking.",
            Course.Timed
        );

    /// <summary>Half the tempo, with the whole head.</summary>
    public static Method SlowAnchor { get; } =
        new(
            new("slow-anchor"),
            "slow anchor",
            "Half the tempo you can play it at. Hear every note before it comes and know where each finger goes. It is harder on the mind, and it pays at speed.",
            (2, 6),
            "clean or missed, every take",
            "Fits what is stuck, and what the fingers know better than the head. Leave it after four takes.",
            Course.FixedCount,
            4
        );

    /// <summary>Once through as if people listened.</summary>
    public static Method PerformanceTake { get; } =
        new(
            new("performance-take"),
            "performance take",
            "Once, as if somebody listened. Hear the tempo first, then play; no stopping, whatever happens.",
            (1, 6),
            "clean or missed, once",
            "Fits what is ready. Leave it for what is not.",
            Course.Once
        );

    /// <summary>Rhythm taken out.</summary>
    public static Method EqualValues { get; } =
        new(
            new("equal-values"),
            "all notes alike",
            "Every note as long as the next, slowly, full sound. Then once as written.",
            (2, 5),
            "the last take, as written",
            "Fits where the rhythm hides the notes. Leave it after two times round.",
            Course.Altered
        );

    /// <summary>Uneven rhythms.</summary>
    public static Method RhythmVariants { get; } =
        new(
            new("rhythm-variants"),
            "rhythm variants",
            "Long-short, short-long, and in groups: each finger has to be early once. Then once as written.",
            (2, 6),
            "the last take, as written",
            "Fits runs whose fingers are uneven. Leave it when all variants are easy.",
            Course.Altered
        );

    /// <summary>The rhythm by itself.</summary>
    public static Method RhythmAlone { get; } =
        new(
            new("rhythm-alone"),
            "the rhythm alone",
            "The rhythm on one note, or clapped, until it speaks. Then once as written.",
            (1, 4),
            "the last take, as written",
            "Fits where the rhythm is not clear. Leave it when it can be spoken.",
            Course.Altered
        );

    /// <summary>First one note, then two.</summary>
    public static Method GrowingChain { get; } =
        new(
            new("growing-chain"),
            "growing chain",
            "The first note, the first two, and so on, each step when the one before was clean; at the next visit from the end. Then once as written.",
            (3, 8),
            "the last take, as written",
            "Fits one change of fingers or position. Leave it when the whole chain stands.",
            Course.Altered
        );

    /// <summary>Sound and silence in turns.</summary>
    public static Method SilentBars { get; } =
        new(
            new("silent-bars"),
            "silent bars",
            "One bar sounds, the next is heard inwardly in time; then the other way round, then by beats and by notes. Clean twice: on. Then once as written.",
            (2, 6),
            "the last take, as written",
            "Fits rushing and unsure entries. Leave it when the silence is as steady as the sound.",
            Course.Altered
        );

    /// <summary>Sung, then played.</summary>
    public static Method SingFirst { get; } =
        new(
            new("sing-first"),
            "sing first",
            "Sing it as it should sound. Then play what you sang, once.",
            (1, 4),
            "the last take, as written",
            "Fits phrasing and length. Leave it when it sounds as it was sung.",
            Course.Altered
        );

    /// <summary>One part at a time.</summary>
    public static Method HandsSeparately { get; } =
        new(
            new("hands-separately"),
            "hands or voices separately",
            "One hand or voice, then the other, each without thinking. Then both, slower, once.",
            (2, 6),
            "the last take, as written",
            "Fits what does not come together. Leave it when both are easy alone.",
            Course.Altered
        );

    /// <summary>Eyes closed, then open.</summary>
    public static Method EyesClosed { get; } =
        new(
            new("eyes-closed"),
            "eyes closed, then open",
            "Four times with closed eyes, listening; the tempo goes up after a clean one and back after a miss. Then once looking, a little above the best.",
            (1, 4),
            "the last take, as written",
            "Fits tone and touch. Leave it when nothing changes any more.",
            Course.Altered
        );

    /// <summary>Test before looking.</summary>
    public static Method FromMemory { get; } =
        new(
            new("from-memory"),
            "from memory",
            "Without looking, slowly: that is the test. Then look at what was missing, and play it again.",
            (2, 5),
            "clean or missed, every take",
            "Fits what is to be played by heart. Leave it when the first take is clean.",
            Course.FixedCount,
            3
        );

    /// <summary>By heart from anywhere.</summary>
    public static Method Stations { get; } =
        new(
            new("stations"),
            "by heart, from any station",
            "The piece is cut into stations, and they are called in mixed order. Begin there without the music and play to the next one. Where you fall out, a passage is made of it.",
            (3, 10),
            "clean or missed, every station",
            "Fits a piece that is to be played by heart. Leave it when every station stands.",
            Course.Rounds
        );

    /// <summary>The same in other keys.</summary>
    public static Method OtherKeys { get; } =
        new(
            new("other-keys"),
            "in other keys",
            "A tone higher, a tone lower, a fourth higher; round again until it is found without searching. Then once as written.",
            (3, 8),
            "the last take, as written",
            "Fits what the fingers know by rote. Leave it when no key makes you stop.",
            Course.Altered
        );

    /// <summary>The top line alone.</summary>
    public static Method MelodyOnly { get; } =
        new(
            new("melody-only"),
            "melody only",
            "Only the top line, sung out. Then once as written.",
            (1, 4),
            "the last take, as written",
            "Fits chords and two parts. Leave it when the line carries.",
            Course.Altered
        );

    /// <summary>Back into its place.</summary>
    public static Method PutBack { get; } =
        new(
            new("put-back"),
            "put back in context",
            "From the bar before, through the passage, out to the bar after; the beat goes on. When that stands, the section, then the piece.",
            (1, 5),
            "clean or missed, every take",
            "Fits what is clean by itself. Leave it when the join is no place any more.",
            Course.FixedCount,
            3
        );

    /// <summary>Several passages and what lies between them.</summary>
    public static Method JoinedSection { get; } =
        new(
            new("joined-section"),
            "a section, joined",
            "From its first bar to its last, over all the joins; the beat goes on, whatever happens. Then once more, with the join that tripped in mind.",
            (2, 10),
            "clean or missed, both takes",
            "Fits the weeks before a performance. Leave it when whole run-throughs begin.",
            Course.FixedCount,
            2
        );

    /// <summary>Something new from a cell.</summary>
    public static Method FromThisCell { get; } =
        new(
            new("from-this-cell"),
            "make something from this cell",
            "Take three or four notes of it and make a line of your own. Write down what you like.",
            (2, 6),
            "nothing",
            "Fits what has become dull. Leave it when there is something on paper.",
            Course.Timed
        );

    /// <summary>In passing.</summary>
    public static Method SpareMinute { get; } =
        new(
            new("spare-minute"),
            "spare minute",
            "One take in passing, no more. Several times a day, away from any session.",
            (1, 1),
            "clean or missed",
            "Fits raw passages between the sessions. Leave it when it is clean each time.",
            Course.Once
        );

    /// <summary>Playing for its own sake.</summary>
    public static Method FreePlay { get; } =
        new(
            new("free-play"),
            "free play",
            "Play for the sound of it. Make something up, and write down what you would like to keep.",
            (2, 20),
            "nothing",
            "Fits the end of the day, or its beginning.",
            Course.Timed
        );

    /// <summary>Along with a song that sounds.</summary>
    public static Method PlayAlong { get; } =
        new(
            new("play-along"),
            "play along",
            "Listen once, then play with it: slower where it runs away, in a loop where it trips, whole again at the end.",
            (2, 10),
            "rounds and minutes",
            "Fits songs one would like to play. Leave it when it plays for you.",
            Course.Timed
        );

    /// <summary>What was put aside becomes something.</summary>
    public static Method Shelf { get; } =
        new(
            new("shelf"),
            "from the shelf",
            "Three ideas, the oldest first: each becomes a piece, an exercise, something for play or to listen to, or it goes.",
            (2, 5),
            "what became of each",
            "Fits ideas that pile up. Leave it when nothing waits.",
            Course.Timed
        );

    /// <summary>Unseen music in time.</summary>
    public static Method UnseenInTime { get; } =
        new(
            new("unseen-in-time"),
            "unseen, in time",
            "Half a minute to look: time, tempo, the oddest place, and where there is pitch the key and the highest note. Then play slower than feels necessary; the beat never stops and mistakes are passed by.",
            (2, 6),
            "right if every bar came on time",
            "Fits every day. Take easier music when you stop in it.",
            Course.Rounds
        );

    /// <summary>Unseen music that was just composed.</summary>
    public static Method NewMusic { get; } =
        new(
            new("new-music"),
            "new music at sight",
            "Music that nobody has played, at your level. Look half a minute; then the click goes and does not wait. What counts is bars on time.",
            (2, 10),
            "bars on time, of all bars",
            "Fits every day. Its level follows by itself.",
            Course.Timed
        );

    /// <summary>Sing, then hear.</summary>
    public static Method SingThenHear { get; } =
        new(
            new("sing-then-hear"),
            "sing it, then hear it",
            "Hear the question, answer it aloud, then hear the answer. Say whether yours was right.",
            (1, 5),
            "right or wrong, every question",
            "Fits every day, without the instrument.",
            Course.Questions
        );

    /// <summary>The same without pitch: tap, then hear.</summary>
    public static Method TapThenHear { get; } =
        new(
            new("tap-then-hear"),
            "tap it, then hear it",
            "Hear the question, answer it by tapping or aloud, then hear the answer. Say whether yours was right.",
            (1, 5),
            "right or wrong, every question",
            "Fits every day, without the instrument.",
            Course.Questions
        );

    /// <summary>A round by name.</summary>
    public static Method EarRound { get; } =
        new(
            new("ear-round"),
            "a round by ear",
            "One question after the other: what is due, what you take for another, a little new. Hear it, choose; then hear both, what it was and what you said.",
            (1, 8),
            "right or wrong and the time of each answer",
            "Fits every day, without the instrument.",
            Course.Timed
        );

    /// <summary>Reading without the instrument.</summary>
    public static Method SilentStudy { get; } =
        new(
            new("silent-study"),
            "silent study",
            "Without the instrument: read it and hear it inwardly in time, then look where the fingers would go. Leave the hands at rest.",
            (2, 10),
            "nothing",
            "Fits when the hands must rest.",
            Course.Timed
        );

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Method> All { get; } =
    [
        EaseIn,
        SlowReading,
        FirstLook,
        OneTakeRounds,
        WorkRestRounds,
        CleanInRow,
        CleanMinutes,
        FixedCount,
        TempoLadder,
        SlowAnchor,
        KeyRound,
        PerformanceTake,
        EqualValues,
        RhythmVariants,
        RhythmAlone,
        GrowingChain,
        SilentBars,
        SingFirst,
        HandsSeparately,
        EyesClosed,
        FromMemory,
        Stations,
        OtherKeys,
        MelodyOnly,
        PutBack,
        JoinedSection,
        FromThisCell,
        SpareMinute,
        KeyShuttle,
        ChordChanges,
        Inversions,
        OneByOne,
        HalfDensity,
        SubdivisionLadder,
        FastestAndSlowest,
        BurstAndSwitch,
        ThreeAndOne,
        Shelf,
        FreePlay,
        PlayAlong,
        NewMusic,
        UnseenInTime,
        SingThenHear,
        TapThenHear,
        EarRound,
        SilentStudy,
    ];

    /// <summary>Fewest takes of a method that counts them, where the player chooses.</summary>
    public const int LeastTimes = 3;

    /// <summary>Most of them.</summary>
    public const int MostTimes = 20;

    /// <summary>What can be chosen of a method that counts takes or minutes without a miss, least and most; null for others.</summary>
    /// <param name="method">The method.</param>
    public static (int Least, int Most)? TimesOf(Method method)
    {
        ArgumentNullException.ThrowIfNull(method);
        return method.Course switch
        {
            Course.FixedCount => (LeastTimes, MostTimes),
            Course.CleanMinutes => (StageLoop.LeastMinutes, StageLoop.MostMinutes),
            // Once is up, twice is up and down again.
            Course.Rungs => (1, 2),
            _ => null,
        };
    }

    /// <summary>The method of a drill: the player's own, or one of these.</summary>
    /// <exception cref="ArgumentException">There is none of its name.</exception>
    public static Method Of(Drill drill)
    {
        ArgumentNullException.ThrowIfNull(drill);
        var method = drill.Own ?? Get(drill.MethodId);
        return drill.Times is { } times && TimesOf(method) is not null
            ? method with
            {
                Count = times,
                Name =
                    method == FixedCount ? $"{times} times, slowly"
                    : method == CleanMinutes ? $"{Words.Minutes(times)} without a miss"
                    : method == SubdivisionLadder && times > 1 ? "subdivision ladder, up and down"
                    : method.Name,
            }
            : method;
    }

    /// <summary>The method with this lasting name; null where there is none.</summary>
    public static Method? Find(MethodId id) => All.FirstOrDefault(method => method.Id == id);

    /// <summary>The method with this lasting name.</summary>
    /// <exception cref="ArgumentException">There is none.</exception>
    public static Method Get(MethodId id) => Find(id) ?? throw new ArgumentException($"There is no method called \"{id}\".", nameof(id));
}
