using TuningFork.Core.Practice;

namespace TuningFork.Core.Planning.Fill;

/// <summary>Warm-up in four elements, in this order: long tones, slow scales, movement across the instrument, agility. Contents rotate by the day.</summary>
internal static class WarmUpFill
{
    private static readonly Dictionary<string, (string Title, string How)[][]> Elements = new(StringComparer.Ordinal)
    {
        ["winds"] =
        [
            [("Long tones, low register", "Slow breaths, one note a breath, ears on the sound."), ("Long tones, swelling", "Soft, loud, soft again; the pitch stays."), ("Long tones in pairs", "Two neighbouring notes, no bump between them.")],
            [("One slow scale", "Whole notes over a drone, tuned one by one."), ("One slow arpeggio", "Half notes, every note as full as the first.")],
            [("Crossing the register", "Slow twelfths up and back; only the air moves on."), ("Low to high and back", "Slurred, fingers close, the throat open.")],
            [("Easy running notes", "Many notes at a comfortable speed, light fingers."), ("Trills between neighbours", "Even and loose; stop before it tightens.")],
        ],
        ["strings"] =
        [
            [("Open strings, long bows", "Whole bows, the sound from beginning to end."), ("One note, four dynamics", "The same bow speed, the weight changes.")],
            [("One slow scale", "Over a drone, each note centred before the next."), ("One slow arpeggio", "Half notes, the hand settled before it moves.")],
            [("Shifts over a drone", "One octave up and down, no metronome, listen into the note."), ("Across the strings", "Slow crossings, the elbow leads.")],
            [("Easy running notes", "Many notes at a comfortable speed, light fingers."), ("Finger drops", "Each finger falls by itself; nothing else moves.")],
        ],
        ["keys"] =
        [
            [("Five notes, hands together", "Slow, the weight carried from key to key."), ("Long chords", "Sink in, listen until the sound is gone.")],
            [("One slow scale", "Hands separately, then together, quietly."), ("One slow arpeggio", "The thumb travels early; no accent.")],
            [("Stretches and jumps", "Look, move, wait, then play."), ("Octaves in leaps", "Loose wrist, the arm measures the way.")],
            [("Easy running notes", "Many notes at a comfortable speed, light fingers."), ("Alternating hands", "Soft and even, no louder thumb.")],
        ],
        ["percussion"] =
        [
            [("Single strokes, slow", "One stroke a beat, let it rebound, listen to the tone."), ("Open tones", "The same spot, the same sound, hand after hand.")],
            [("Even doubles", "Two a hand, slow, both alike."), ("Soft to loud", "Sixteen strokes, four dynamics, one tempo.")],
            [("Round the surfaces", "Edge, centre, edge; the arm moves before the hand."), ("Hands in turn", "Right leads, left leads, no change in sound.")],
            [("Easy rolling strokes", "Many strokes at a comfortable speed, loose grip."), ("A groove you like", "Quietly, four bars, shoulders down.")],
        ],
        ["other"] =
        [
            [("Long tones", "Slow, eyes off the page, ears on the sound."), ("Slow motions", "The simplest notes you know, as beautifully as you can.")],
            [("One slow scale", "Whole notes over a drone or a slow click."), ("One slow arpeggio", "Half notes, every note alike.")],
            [("Across the instrument", "Low to high and back without hurry."), ("Wide steps", "Look, move, then play.")],
            [("Easy running notes", "Many notes at a comfortable speed."), ("A line you like", "Lightly, from memory.")],
        ],
    };

    private static readonly string[] Reasons = ["sound before fingers", "tuning, slowly", "the whole instrument, without force", "light and quick, never hard"];

    public static IEnumerable<Drill> Fill(FillContext context, int minutes)
    {
        if (minutes <= 0)
            yield break;
        var request = context.Request;
        var core = (request.Demands & (Demands.Rehearsal | Demands.Concert)) != Demands.None;
        var parts = FillContext.Chop(minutes, 2, 15, core ? 2 : 4);
        var elements = Elements.GetValueOrDefault(request.Family) ?? Elements["other"];
        for (var i = 0; i < parts.Count; i++)
        {
            var what = context.Choose(Area.WarmUp, elements[i], request.Day.DayNumber + i);
            var reason = core && i == 0 ? "only the core: strength for later" : Reasons[i];
            yield return context.MakeNamed(Area.WarmUp, Methods.EaseIn, what, parts[i], reason);
        }
    }
}
