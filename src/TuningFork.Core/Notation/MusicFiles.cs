using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>What kind of music file it is.</summary>
public enum MusicFormat
{
    /// <summary>ABC text.</summary>
    Abc,

    /// <summary>MusicXML, plain or packed.</summary>
    MusicXml,

    /// <summary>A Standard MIDI File.</summary>
    Midi,
}

/// <summary>What of a file is taken.</summary>
/// <param name="Part">A part of a score, a tune of a book, a track, from 0; null for the one that is most likely meant.</param>
/// <param name="Staff">One of its staves, from the top and from 0; null for all.</param>
/// <param name="Voice">One of its voices, from the top and from 0; null for all.</param>
/// <param name="Sounding">
/// Where it is written for another transposition than the player's: true to move it, so that it sounds as it did, false to read it as it
/// stands; null for what is most likely meant.
/// </param>
/// <param name="IsTyped">True for ABC text that was typed and not read from a file: slips in it are refused.</param>
public sealed record MusicWanted(int? Part = null, int? Staff = null, int? Voice = null, bool? Sounding = null, bool IsTyped = false);

/// <summary>A file that was opened: what can be chosen from it, what was, and how that came out.</summary>
/// <param name="Format">Its format.</param>
/// <param name="Choices">Its parts, tunes or tracks.</param>
/// <param name="Part">Which of them was taken.</param>
/// <param name="Staves">Staves of the part.</param>
/// <param name="Voices">Voices of the part.</param>
/// <param name="Transposition">What is to be said of its transposition and the player's.</param>
/// <param name="Music">The music as it is to be kept, in the player's written pitch.</param>
/// <param name="LeftOut">What was not taken over.</param>
public sealed record OpenedMusic(
    MusicFormat Format,
    IReadOnlyList<MusicChoice> Choices,
    int Part,
    int Staves,
    int Voices,
    SettledPitch Transposition,
    Music Music,
    IReadOnlyList<LeftOut> LeftOut
);

/// <summary>Opens music files of all formats.</summary>
public static class MusicFiles
{
    /// <summary>What a file is, by its first bytes.</summary>
    /// <param name="file">Its bytes.</param>
    public static MusicFormat FormatOf(byte[] file)
    {
        ArgumentNullException.ThrowIfNull(file);
        if (file.AsSpan().StartsWith("MThd"u8) || (file.AsSpan().StartsWith("RIFF"u8) && file.AsSpan().IndexOf("MThd"u8) > 0))
            return MusicFormat.Midi;
        if (file is [(byte)'P', (byte)'K', ..])
            return MusicFormat.MusicXml;
        return EncodedText.Of(file[..Math.Min(file.Length, 4000)]).TrimStart().StartsWith('<') ? MusicFormat.MusicXml : MusicFormat.Abc;
    }

    /// <summary>Opens a file and reads what is wanted of it.</summary>
    /// <param name="file">Its bytes.</param>
    /// <param name="wanted">What is taken.</param>
    /// <param name="instrument">The player's.</param>
    /// <param name="cancel">Stops the reading.</param>
    /// <exception cref="MusicFileException">It cannot be read, or has nothing of what is wanted.</exception>
    /// <exception cref="AbcException">It is ABC text and cannot be read.</exception>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static OpenedMusic Open(byte[] file, MusicWanted wanted, Instrument instrument, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(wanted);
        ArgumentNullException.ThrowIfNull(instrument);
        var format = FormatOf(file);
        var choices = format switch
        {
            MusicFormat.Midi => MidiReader.Choices(file, cancel),
            MusicFormat.MusicXml => MusicXmlReader.Choices(file, cancel),
            _ => AbcReader.Choices(EncodedText.Of(file), instrument.Clef),
        };
        var part = wanted.Part ?? Likely(format, choices, instrument);
        var read = format switch
        {
            MusicFormat.Midi => MidiReader.Read(file, instrument, part, cancel),
            MusicFormat.MusicXml => MusicXmlReader.Read(file, part, cancel),
            _ => AbcReader.Read(EncodedText.Of(file), instrument.Clef, part, wanted.IsTyped, cancel),
        };
        var settled = SettledPitch.Of(read.Music.Lead.ToSounding, format, instrument, wanted.Sounding);
        var chosen = Chosen(read.Music, wanted);
        var music = settled.Settle(chosen, instrument);
        return new OpenedMusic(
            format,
            choices,
            part,
            read.Music.Staves,
            read.Music.Voices.Count,
            settled,
            music,
            [.. read.LeftOut, .. NotChosen(read.Music, chosen), .. OutOfReach(music, instrument)]
        );
    }

    /// <summary>The part that is most likely meant: one named after the instrument, else the first with notes of its kind.</summary>
    private static int Likely(MusicFormat format, IReadOnlyList<MusicChoice> choices, Instrument instrument)
    {
        var kind = choices
            .Select((choice, i) => (choice, i))
            .Where(one => one.choice.Notes > 0 && one.choice.IsDrums != instrument.IsPitched)
            .ToList();
        if (kind.Count == 0)
            return Math.Max(0, choices.ToList().FindIndex(choice => choice.Notes > 0));
        var name = instrument.Name.Split(' ')[^1];
        var named = kind.FindIndex(one => one.choice.Name.Contains(name, StringComparison.OrdinalIgnoreCase));
        if (named >= 0)
            return kind[named].i;
        return format == MusicFormat.Midi ? kind.MaxBy(one => one.choice.Notes).i : kind[0].i;
    }

    private static Music Chosen(Music music, MusicWanted wanted)
    {
        if (wanted.Voice is { } voice)
            return voice >= 0 && voice < music.Voices.Count
                ? new Music([music.Voices[voice] with { Staff = 0 }])
                : throw new MusicFileException($"This part has {music.Voices.Count} voices; choose one of them.");
        if (wanted.Staff is not { } staff)
            return music;
        return staff >= 0 && staff < music.Staves
            ? music.OfStaff(staff)
            : throw new MusicFileException($"This part has {music.Staves} staves; choose one of them.");
    }

    /// <summary>What the player's instrument does not usually reach; it is taken over all the same.</summary>
    private static IEnumerable<LeftOut> OutOfReach(Music music, Instrument instrument)
    {
        if (instrument is not { Lowest: { } lowest, Highest: { } highest })
            yield break;
        var numbers = music.Lead.Numbers();
        List<int> Bars(Func<Pitch, bool> isBeyond) =>
            [
                .. music
                    .Voices.SelectMany(voice => voice.Bars.Select((bar, i) => (bar, Number: numbers[i])))
                    .Where(one => one.bar.Elements.Any(element => element.Pitches.Any(isBeyond)))
                    .Select(one => one.Number)
                    .Distinct()
                    .Order(),
            ];
        if (Bars(pitch => pitch.Midi > highest.Midi) is { Count: > 0 } high)
            yield return new LeftOut($"taken over, but higher than {highest.Name.Printed}{highest.Octave}, your usual highest note", high);
        if (Bars(pitch => pitch.Midi < lowest.Midi) is { Count: > 0 } low)
            yield return new LeftOut($"taken over, but lower than {lowest.Name.Printed}{lowest.Octave}, your usual lowest note", low);
    }

    private static IEnumerable<LeftOut> NotChosen(Music all, Music chosen)
    {
        var left = all.Voices.Count - chosen.Voices.Count;
        if (left > 0)
            yield return new LeftOut($"{left} of {all.Voices.Count} voices, which were not chosen", []);
    }
}
