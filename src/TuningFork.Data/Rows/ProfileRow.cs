using TuningFork.Core.Planning;
using TuningFork.Core.Spacing;
using TuningFork.Core.Theory;
using TuningFork.Core.WarmUps;

namespace TuningFork.Data.Rows;

/// <summary>The player: one row.</summary>
public sealed class ProfileRow
{
    public int Id { get; set; } = 1;
    public string Instrument { get; set; } = "";
    public Family Family { get; set; } = Family.Other;

    /// <summary>Semitones from written to sounding pitch.</summary>
    public int Transposition { get; set; }

    /// <summary>Minutes from Monday to Sunday, comma-separated.</summary>
    public string WeekdayMinutes { get; set; } = "30,30,30,30,30,30,30";
    public int BoundaryHour { get; set; } = PracticeDay.DefaultBoundaryHour;
    public string SharesJson { get; set; } = "";
    public School School { get; set; }
    public Mix Mix { get; set; } = Mix.Shuffled;
    public int ScaleMinutes { get; set; } = 20;

    /// <summary>Lowest and highest written note, "E3"; empty for the instrument's usual ones.</summary>
    public string Lowest { get; set; } = "";
    public string Highest { get; set; } = "";

    /// <summary>Frequency of A4 in hertz.</summary>
    public int A4 { get; set; } = 440;
    public Naming Naming { get; set; }

    /// <summary>How click and drone are set; empty for the usual way.</summary>
    public string SoundJson { get; set; } = "";

    /// <summary>How a warm-up begins, and one's own words for the awareness exercise.</summary>
    public WarmUpSchool WarmUpSchool { get; set; }
    public string Awareness { get; set; } = "";

    /// <summary>Minutes of the opening.</summary>
    public int OpeningMinutes { get; set; } = 1;

    /// <summary>Most passages under way at a time; 0 for no limit.</summary>
    public int UnderWay { get; set; }

    /// <summary>What is the player's own about growth and slips; empty before anything was learnt of it.</summary>
    public string TraitsJson { get; set; } = "";

    /// <summary>Where unseen music comes from.</summary>
    public Core.SightReading.ReadingSource ReadingFrom { get; set; }

    /// <summary>Lowest and highest written note that is comfortable to read, "A3"; empty for what the instrument's range says.</summary>
    public string ReadLowest { get; set; } = "";
    public string ReadHighest { get; set; } = "";

    /// <summary>The weekday of the week's review, 0 for Monday; the day on which it was last written.</summary>
    public int ReviewWeekday { get; set; } = 6;
    public DateOnly? ReviewedOn { get; set; }

    /// <summary>What this week is for, as the last review said; empty for nothing.</summary>
    public string WeekPurpose { get; set; } = "";

    /// <summary>Phrases for the journal, a line each.</summary>
    public string Phrases { get; set; } = "";

    /// <summary>The hour at which one likes to play, Monday to Sunday, comma-separated: "18:30,,19:00,,,,"; empty for none.</summary>
    public string WishedHours { get; set; } = "";

    /// <summary>Sittings from Monday to Sunday, comma-separated; empty for one each.</summary>
    public string WeekdaySittings { get; set; } = "";

    /// <summary>The weekday of the lesson or rehearsal, 0 for Monday; null for none.</summary>
    public int? LessonWeekday { get; set; }

    /// <summary>Whether the browser is to say when it is time.</summary>
    public bool Reminds { get; set; }

    /// <summary>The secret in the address of the calendar; empty while there is none.</summary>
    public string CalendarKey { get; set; } = "";

    /// <summary>Spare minutes a day, 0 for none, and the hours between which they wait.</summary>
    public int SpareADay { get; set; } = 3;
    public string SpareFrom { get; set; } = "09:00";
    public string SpareUntil { get; set; } = "21:00";

    /// <summary>Families that the ear is not asked of, comma-separated.</summary>
    public string EarLeftOut { get; set; } = "";

    /// <summary>Sounding MIDI note round which ear questions lie.</summary>
    public int EarCentre { get; set; } = 60;

    /// <summary>What a take that is listened to is missed for; empty for the usual rules.</summary>
    public string VerdictJson { get; set; } = "";

    /// <summary>Room that recordings may take, in MB.</summary>
    public int RecordingMegabytes { get; set; } = 1000;
    public int Version { get; set; }
}
