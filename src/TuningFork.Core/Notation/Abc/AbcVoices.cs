using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>The voices of an ABC tune: which one is being written, and how they come together in the end.</summary>
internal sealed class AbcVoices(AbcHead head)
{
    private const int MostBars = 10_000;

    private const int MostVoices = 32;

    private readonly List<AbcVoice> all = [];

    /// <summary>Second voices of single bars, each with the voice that it belongs to.</summary>
    private readonly Dictionary<AbcVoice, AbcVoice> overlays = [];
    private readonly Dictionary<string, string> definitions = new(StringComparer.Ordinal);
    private AbcVoice? main;
    private bool hasBegun;

    /// <summary>The voice that is written.</summary>
    public AbcVoice Current { get; private set; } = new("");

    /// <summary>The head is over.</summary>
    public void Begin()
    {
        hasBegun = true;
        foreach (var (name, _) in definitions)
            Open(name);
        if (all.Count == 0)
            Open("1");
        (Current, main) = (all[0], all[0]);
    }

    /// <summary>A field that names a voice: in the head it is described, in the body it goes on.</summary>
    public void Choose(string value, bool isDefinition)
    {
        var name = value.Split([' ', '\t'], 2)[0];
        if (isDefinition || !hasBegun)
        {
            definitions[name] = Further(value);
            return;
        }

        // The first field of the body may name the voice that was opened without one.
        if (definitions.Count == 0 && all is [{ IsEmpty: true, Bars.Count: 0 } nameless] && nameless.Name != name)
            all.Remove(nameless);
        var voice = all.Find(one => one.Name == name && !overlays.ContainsKey(one));
        if (voice is null)
        {
            definitions[name] = Further(value);
            voice = Open(name);
        }
        else if (Further(value).Length > 0)
            Describe(voice, Further(value));

        (Current, main) = (voice, voice);
    }

    /// <summary>A second voice of the bar begins; false where there is no first.</summary>
    public bool Overlay()
    {
        if (main is null || Current.IsEmpty)
            return false;
        var number = overlays.Values.Count(voice => voice == main);
        var used = overlays.Where(pair => pair.Value == main).Select(pair => pair.Key).ToList();
        var free = used.Find(voice => voice.IsEmpty && voice != Current);
        if (free is null)
        {
            free = new AbcVoice($"{main.Name}&{number + 1}")
            {
                Key = main.Key,
                Time = main.Time,
                Unit = main.Unit,
            };
            free.Begin();
            overlays[free] = main;
            all.Insert(all.IndexOf(main) + 1 + used.Count, free);
        }

        (free.Key, free.Time, free.Unit) = (main.Key, main.Time, main.Unit);
        while (free.Bars.Count < main.Bars.Count)
            free.Bars.Add(new Bar([.. Gaps.Of(main.Bars[free.Bars.Count].Length, hidden: true)]));
        Current = free;
        return true;
    }

    /// <summary>A bar line: what it ends, and whether it turns back.</summary>
    public void Line(string line, int place)
    {
        var (ends, begins) = (line.TrimStart('[').StartsWith(':'), line.Length > 1 && line.EndsWith(':'));
        var voice = main!;
        if (voice.IsEmpty)
        {
            if (ends)
                voice.SetLast(bar => bar with { RepeatEnds = true, Times = Times(line) });
        }
        else
            voice.Set(bar => bar with { RepeatEnds = ends, Times = ends ? Times(line) : 2 });
        Close();
        if (line is "||" or "|]" or "[|")
            voice.SetLast(bar => bar with { IsDouble = line == "||" });
        if (begins)
            voice.Set(bar => bar with { RepeatBegins = true });
        voice.Place = place;
        Current = voice;
        if (voice.Bars.Count > MostBars)
            throw new AbcException(1, 1, $"This is longer than {MostBars:N0} bars; take a part of it.");
    }

    public void Place(int place) => main!.Place = main.IsEmpty ? place : main.Place;

    public void Ending(IReadOnlyList<int> passes) => main!.Set(bar => bar with { Ending = passes });

    /// <summary>Ends the bar that is open.</summary>
    public void Close()
    {
        main?.Close();
        foreach (var (overlay, of) in overlays)
            if (of == main)
                overlay.Close();
    }

    /// <summary>The music of all voices, each as long as the others.</summary>
    public ReadMusic Finish(LeftOutList leftOut, AbcText signs, bool isTyped)
    {
        foreach (var voice in all)
            voice.Close();
        var sounding = all.Where(voice => voice.Bars.Exists(bar => bar.Elements.Any(element => !element.IsRest))).ToList();
        if (sounding.Count == 0 && all.TrueForAll(voice => voice.Bars.Count == 0))
            throw signs.Wrong("There are no notes yet. Write letters for notes and | for bar lines: CDEF GABc|.");
        if (sounding.Count == 0)
            sounding.Add(all.First(voice => voice.Bars.Count > 0));
        var lead = sounding[0];
        var count = sounding.Max(voice => voice.Bars.Count);
        var lengths = Enumerable
            .Range(0, count)
            .Select(bar =>
                sounding.Where(voice => bar < voice.Bars.Count).Max(voice => Written(voice.Bars[bar], signs, Place(voice, bar)).Length)
            )
            .ToList();
        var odd = Odd(lead, lengths).ToList();
        if (isTyped && odd is [var first, ..])
            throw signs.Wrong(
                $"Bar {first + 1} holds {lengths[first]} of a whole note, which is not what its metre holds. Add what is missing, take away what is too much, or set a bar line.",
                Place(lead, first)
            );
        foreach (var bar in odd)
            leftOut.Add("bars that are not as long as their metre, taken as they are", bar);
        var staves = StavesOf(sounding);
        var voices = sounding
            .Select((voice, v) => (Staff: staves[v], Score: ScoreOf(voice, lead, lengths, signs, v)))
            .OrderBy(one => one.Staff)
            .Select(one => one.Score with { Staff = one.Staff })
            .ToList();
        if (head.TempoWords.Length > 0)
            voices[0] = voices[0] with { Bars = [Spoken(voices[0].Bars[0]), .. voices[0].Bars.Skip(1)] };
        var music = Mended.Of(new Music(voices), leftOut);
        if (music.Check() is [var (number, problem), ..])
            throw new AbcException(1, 1, $"{problem} Look at bar {number}.");
        return new ReadMusic(music, leftOut.By(music.Lead.Numbers()));
    }

    private static int Place(AbcVoice voice, int bar) => bar < voice.Places.Count ? voice.Places[bar] : 0;

    private Bar Spoken(Bar bar) =>
        bar with
        {
            Elements =
            [
                bar.Elements[0] with
                {
                    Words = bar.Elements[0].Words.Length > 0 ? $"{head.TempoWords} {bar.Elements[0].Words}" : head.TempoWords,
                },
                .. bar.Elements.Skip(1),
            ],
        };

    private Score ScoreOf(AbcVoice voice, AbcVoice lead, List<Fraction> lengths, AbcText signs, int index)
    {
        var time = lead.FirstTime;
        var bars = new List<Bar>();
        for (var i = 0; i < lengths.Count; i++)
        {
            // Repeats and the way through the music are those of the first voice.
            var way = i < lead.Bars.Count ? lead.Bars[i] : new Bar([]);
            time = way.Time ?? time;
            var own = i < voice.Bars.Count ? Written(voice.Bars[i], signs, Place(voice, i)) : new Bar([]);
            var left = lengths[i] - own.Length;
            bars.Add(
                way with
                {
                    Elements = Tuplets.Grouped(
                        left > Fraction.Zero
                            ? [.. own.Elements, .. Gaps.Of(left, hidden: index > 0 || own.Elements.Count > 0)]
                            : own.Elements
                    ),
                    Key = own.Key ?? (i < voice.Bars.Count ? null : way.Key),
                    IsPartial = time.IsFree || lengths[i] != time.Bar,
                }
            );
        }

        return new Score
        {
            Title = head.Title,
            Clef = voice.FirstClef,
            Key = voice.FirstKey,
            Time = lead.FirstTime,
            Tempo = head.Tempo,
            TempoBeat = head.TempoBeat,
            ToSounding = Interval.OfSemitones(voice.Semitones),
            Bars = bars,
        };
    }

    /// <summary>A bar whose lengths are cut into heads that can be written, and which ends on a plain length.</summary>
    private static Bar Written(Bar bar, AbcText signs, int place)
    {
        var elements = bar
            .Elements.SelectMany(element =>
                Heads.Of(element)
                ?? throw signs.Wrong($"A length of {element.Written} of a whole note cannot be written. Use a tuplet, like (3abc.", place)
            )
            .ToList();
        var length = Fraction.Sum(elements.Select(element => element.Length));
        if (Values.TryCut(length) is null && length > Fraction.Zero)
            elements.AddRange(Gaps.Of(new Fraction((long)Math.Ceiling(length.Value * 16), 16) - length, hidden: true));
        return bar with { Elements = elements };
    }

    /// <summary>
    /// Bars that are short or long where nothing explains it: not the first or last, not next to a repeat, an ending or a double line.
    /// </summary>
    private static IEnumerable<int> Odd(AbcVoice lead, List<Fraction> lengths)
    {
        var time = lead.FirstTime;
        for (var i = 0; i < lengths.Count && i < lead.Bars.Count; i++)
        {
            var bar = lead.Bars[i];
            time = bar.Time ?? time;
            if (time.IsFree || lengths[i] == time.Bar)
                continue;
            var isEdge = i == 0 || i == lead.Bars.Count - 1;
            var isTurn =
                bar.RepeatBegins
                || bar.RepeatEnds
                || bar.IsDouble
                || bar.Ending.Count > 0
                || (i > 0 && (lead.Bars[i - 1].RepeatEnds || lead.Bars[i - 1].IsDouble))
                || (i + 1 < lead.Bars.Count && (lead.Bars[i + 1].RepeatBegins || lead.Bars[i + 1].Ending.Count > 0));
            if (lengths[i] > time.Bar || !(isEdge || isTurn))
                yield return i;
        }
    }

    /// <summary>The staff of each voice: as the tune says it, else one for each that is no second voice of another.</summary>
    private List<int> StavesOf(List<AbcVoice> sounding)
    {
        var mains = sounding.ConvertAll(voice => overlays.GetValueOrDefault(voice, voice));
        var groups = head.Staves.Where(staff => staff.Any(name => mains.Exists(voice => voice.Name == name))).ToList();
        var isSaid = mains.TrueForAll(voice => groups.Exists(staff => staff.Contains(voice.Name, StringComparer.Ordinal)));
        var names = mains.ConvertAll(voice => voice.Name).Distinct(StringComparer.Ordinal).ToList();
        return mains.ConvertAll(voice =>
            isSaid ? groups.FindIndex(staff => staff.Contains(voice.Name, StringComparer.Ordinal)) : names.IndexOf(voice.Name)
        );
    }

    private AbcVoice Open(string name)
    {
        if (all.Count >= MostVoices)
            throw new AbcException(1, 1, $"This tune has more than {MostVoices} voices; take some of them.");
        var voice = new AbcVoice(name)
        {
            Key = head.Key,
            Time = head.Time,
            Unit = head.Unit,
        };
        Describe(voice, definitions.GetValueOrDefault(name, ""));
        voice.Begin();
        all.Add(voice);
        return voice;
    }

    private static void Describe(AbcVoice voice, string properties)
    {
        foreach (var word in properties.Split([' ', '\t'], StringSplitOptions.RemoveEmptyEntries))
            voice.Key = voice.Key.Staved(word) ?? voice.Key;
    }

    private static string Further(string value) => value.Split([' ', '\t'], 2) is [_, var rest] ? rest : "";

    /// <summary>"::|" is played three times, "::" ends one repeat and begins another.</summary>
    private static int Times(string line) =>
        !line.Contains('|', StringComparison.Ordinal)
            ? 2
            : Math.Clamp(1 + line.TrimStart('[').TakeWhile(sign => sign == ':').Count(), 2, 9);
}
