using TuningFork.Core.EarTraining;
using TuningFork.Server.Features.Reading;

namespace TuningFork.Server.Features.Ear;

/// <summary>An answer to choose.</summary>
/// <param name="Item">Lasting name of what it stands for.</param>
/// <param name="Label">What its key says.</param>
/// <param name="Tones">How it would sound where the question lay.</param>
public sealed record EarAlternative(string Item, string Label, IReadOnlyList<Tone> Tones);

/// <summary>How a question is answered.</summary>
public enum EarKind
{
    /// <summary>By choosing.</summary>
    Choose,

    /// <summary>By tapping.</summary>
    Tap,

    /// <summary>By notes, one after the other.</summary>
    Notes,
}

/// <summary>Where a rhythm is tapped back.</summary>
/// <param name="FromSeconds">When its first beat is, after the sound began.</param>
/// <param name="ToSeconds">When its last beat is over.</param>
/// <param name="Tempo">Beats a minute.</param>
public sealed record EarTapView(double FromSeconds, double ToSeconds, int Tempo);

/// <summary>A degree of a line's key.</summary>
/// <param name="Letter">How it is written for the instrument: "F#".</param>
/// <param name="Midi">Sounding MIDI note.</param>
public sealed record EarStepView(int Degree, string Letter, int Midi);

/// <summary>How a line is given back.</summary>
/// <param name="Notes">How many notes are asked for.</param>
/// <param name="Key">Its key as the instrument writes it: "D major".</param>
/// <param name="Steps">The degrees of the key from 1 to 8.</param>
/// <param name="Keys">Keys to be touched.</param>
public sealed record EarLineView(int Notes, string Key, IReadOnlyList<EarStepView> Steps, KeysView Keys);

/// <summary>A question of a round.</summary>
/// <param name="Item">Lasting name of what is asked.</param>
/// <param name="Name">Its full name, for after the answer.</param>
/// <param name="Ask">What is asked, in a sentence.</param>
/// <param name="Family">What its family is called.</param>
/// <param name="Why">Why it is asked, in words; empty where there is nothing to say.</param>
/// <param name="Tones">How it sounds.</param>
/// <param name="Alternatives">What there is to choose from; one, the right one, where it is not chosen.</param>
/// <param name="Line">How a line is given back; null for others.</param>
public sealed record EarQuestionView(
    EarKind Kind,
    string Item,
    string Name,
    string Ask,
    string Family,
    string Why,
    IReadOnlyList<Tone> Tones,
    IReadOnlyList<EarAlternative> Alternatives,
    EarLineView? Line,
    EarTapView? Tap
);

/// <summary>How a day stands.</summary>
/// <param name="Asked">Questions answered today.</param>
/// <param name="Right">Those that were right.</param>
/// <param name="Due">Items that are still due.</param>
public sealed record EarToday(int Asked, int Right, int Due);

/// <summary>How the answer before went, where more is to be said than right or wrong.</summary>
/// <param name="Words">"1 3 2 1; you gave 1 2 2 1", or how late the taps were.</param>
public sealed record EarMarkedView(bool Right, string Words);

/// <summary>The question at hand; null where nothing can be asked.</summary>
/// <param name="Marked">How the answer just given went.</param>
public sealed record EarRoundView(EarQuestionView? Question, EarToday Today, EarMarkedView? Marked = null);

/// <summary>An answer to be kept. Sent again with the same key it counts once.</summary>
/// <param name="Item">What was asked.</param>
/// <param name="Said">What was chosen; null where it was answered aloud.</param>
/// <param name="Right">Where it was answered aloud: whether it was right.</param>
/// <param name="Seconds">Time from the end of the sound, 0 to 600; null when it was not taken.</param>
/// <param name="Alternatives">Answers there were to choose from.</param>
/// <param name="Only">The items of a round of only these.</param>
/// <param name="Taps">Of a rhythm: when it was tapped, in beats from the first that was to be tapped.</param>
/// <param name="DelayMs">So much later this machine hears taps.</param>
/// <param name="Notes">Of a line: the sounding MIDI notes that were given, in any octave.</param>
public sealed record EarAnswerWish(
    Guid Key,
    string Item,
    string? Said = null,
    bool? Right = null,
    double? Seconds = null,
    int Alternatives = 0,
    IReadOnlyList<string>? Only = null,
    IReadOnlyList<double>? Taps = null,
    double DelayMs = 0,
    IReadOnlyList<int>? Notes = null
);

/// <summary>One item as it stands.</summary>
/// <param name="Holds">Days until the chance of a right answer has fallen to nine in ten; null before it was asked.</param>
/// <param name="Due">When it wants to be asked again.</param>
public sealed record EarItemView(string Item, string Label, double? Holds, DateOnly? Due, int Asked, int Right);

/// <summary>A family of items.</summary>
public sealed record EarFamilyView(string Name, int Open, IReadOnlyList<EarItemView> Items);

/// <summary>A pair that is taken for each other, lately.</summary>
/// <param name="Words">In words, with how often.</param>
/// <param name="Items">Both by lasting name, for a round of only these.</param>
/// <param name="OneForOther">Times that the first was taken for the second.</param>
/// <param name="OtherForOne">Times that the second was taken for the first.</param>
/// <param name="Remedy">What to do about it.</param>
public sealed record ConfusionView(
    string Words,
    string One,
    string Other,
    IReadOnlyList<string> Items,
    int OneForOther,
    int OtherForOne,
    string Remedy
);

/// <summary>Where one stands in what is heard and played back.</summary>
/// <param name="Last">How it went the last time; empty before.</param>
public sealed record CopyStandView(CopyKind Kind, int Level, string Last);

/// <summary>Answers of a week.</summary>
public sealed record EarWeekView(DateOnly From, int Asked, int Right);

/// <summary>A family that may be left out.</summary>
public sealed record EarChoiceView(EarFamily Family, string Name, bool IsLeftOut);

/// <summary>What the ear is to be asked.</summary>
/// <param name="LeftOut">Families that are left out; what is known of them is kept.</param>
public sealed record EarWish(IReadOnlyList<EarFamily> LeftOut);

/// <summary>What an ear knows.</summary>
/// <param name="IsPitched">Whether the instrument has notes of its own.</param>
/// <param name="Families">Families with what is open in them; those of which nothing is open yet are left out.</param>
/// <param name="Copies">What is heard and played back on the instrument.</param>
/// <param name="Next">What opens next, by name; empty when all is open.</param>
/// <param name="OpensWhen">When it opens.</param>
/// <param name="Choices">All families, and whether they are left out.</param>
public sealed record EarView(
    bool IsPitched,
    int Open,
    int All,
    EarToday Today,
    IReadOnlyList<ConfusionView> Confusions,
    IReadOnlyList<EarFamilyView> Families,
    IReadOnlyList<EarWeekView> Weeks,
    IReadOnlyList<CopyStandView> Copies,
    string Next,
    string OpensWhen,
    IReadOnlyList<EarChoiceView> Choices
);
