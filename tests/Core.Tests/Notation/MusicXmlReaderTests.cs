using System.IO.Compression;
using System.Text;
using Shouldly;
using TuningFork.Core.Notation;
using TuningFork.Core.Theory;
using Xunit;

namespace TuningFork.Core.Tests.Notation;

/// <summary>MusicXML as it comes: well made, in part, broken, huge and hostile.</summary>
public sealed class MusicXmlReaderTests
{
    [Fact]
    public void What_was_written_is_read_back_note_by_note()
    {
        foreach (var (name, score) in ScoreSamples.All())
        {
            var read = MusicXmlReader.Read(Encoding.UTF8.GetBytes(MusicXmlWriter.Write(score)));
            Notes(read.Score).ShouldBe(Notes(score), name);
            read.Score.Played().ShouldBe(score.Played(), name);
            read.Score.ToSounding.ShouldBe(score.ToSounding);
            read.LeftOut.ShouldBeEmpty(name);
        }
    }

    [Fact]
    public void A_packed_file_is_read_too()
    {
        var packed = Packed(
            ("META-INF/container.xml", "<container><rootfiles><rootfile full-path=\"music.xml\"/></rootfiles></container>"),
            ("music.xml", MusicXmlWriter.Write(ScoreSamples.Upbeat))
        );
        Notes(MusicXmlReader.Read(packed).Score).ShouldBe(Notes(ScoreSamples.Upbeat));
    }

    [Theory]
    [InlineData("", "")]
    [InlineData("<score-partwise><part>", "is broken in line 1")]
    [InlineData("<score-timewise/>", "no part")]
    [InlineData("<html/>", "This is no MusicXML score")]
    [InlineData("<score-partwise/>", "no part")]
    [InlineData("<score-partwise><part><measure/></part></score-partwise>", "no notes")]
    [InlineData("PK\u0003\u0004nonsense", "broken")]
    public void What_is_broken_is_refused_in_words(string text, string says) =>
        Should.Throw<MusicFileException>(() => MusicXmlReader.Read(Encoding.UTF8.GetBytes(text))).Message.ShouldContain(says);

    /// <summary>
    /// Entity expansion and external entities (OWASP, XML External Entity Prevention, from memory): nothing is expanded and nothing is
    /// asked for.
    /// </summary>
    [Theory]
    [InlineData(
        "<!DOCTYPE lolz [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\"><!ENTITY c \"&b;&b;&b;&b;&b;&b;&b;&b;\">]><score-partwise><part>&c;</part></score-partwise>"
    )]
    [InlineData(
        "<!DOCTYPE x [<!ENTITY f SYSTEM \"file:///etc/passwd\">]><score-partwise><work><work-title>&f;</work-title></work></score-partwise>"
    )]
    [InlineData("<!DOCTYPE x SYSTEM \"http://127.0.0.1:1/never.dtd\"><score-partwise/>")]
    public void Hostile_files_are_refused_without_a_request(string text) =>
        Should.Throw<MusicFileException>(() => MusicXmlReader.Read(Encoding.UTF8.GetBytes(text)));

    [Fact]
    public void A_bomb_in_a_packed_file_is_not_unpacked()
    {
        var bomb = Packed(("music.xml", new string(' ', MusicXmlReader.MostBytes + 1)));
        bomb.Length.ShouldBeLessThan(MusicXmlReader.MostBytes / 100);
        Should.Throw<MusicFileException>(() => MusicXmlReader.Read(bomb)).Message.ShouldContain("larger than");
    }

    [Fact]
    public void Too_many_bars_are_refused_and_a_thousand_are_no_trouble()
    {
        var bar = "<measure><note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note></measure>";
        Should
            .Throw<MusicFileException>(() => Read(string.Concat(Enumerable.Repeat(bar, MusicXmlReader.MostBars + 1))))
            .Message.ShouldContain("longer than");
        Read(string.Concat(Enumerable.Repeat(bar, 1000))).Score.Bars.Count.ShouldBe(1000);
    }

    [Fact]
    public void Files_damaged_by_chance_are_read_or_refused_and_nothing_else()
    {
        var random = new Random(5);
        var whole = MusicXmlWriter.Write(ScoreSamples.Tuplets);
        for (var i = 0; i < 1500; i++)
        {
            var text = whole.ToCharArray();
            for (var hits = random.Next(1, 6); hits > 0; hits--)
            {
                var digit = Enumerable.Range(0, text.Length).Where(at => char.IsAsciiDigit(text[at])).ElementAt(random.Next(40));
                text[random.Next(3) == 0 ? random.Next(text.Length) : digit] = (char)('0' + random.Next(10));
            }

            try
            {
                MusicXmlReader.Read(Encoding.UTF8.GetBytes(new string(text))).Score.Check().ShouldBeEmpty();
            }
            catch (MusicFileException)
            {
                // Refused in words: that is what should happen.
            }
        }
    }

    private static ReadMusic Read(string measures) =>
        MusicXmlReader.Read(Encoding.UTF8.GetBytes($"<score-partwise><part id=\"P1\">{measures}</part></score-partwise>"));

    private static byte[] Packed(params (string Name, string Text)[] files)
    {
        using var bytes = new MemoryStream();
        using (var archive = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, text) in files)
            {
                using var writer = new StreamWriter(archive.CreateEntry(name).Open());
                writer.Write(text);
            }
        }

        return bytes.ToArray();
    }

    private static List<(int Midi, Fraction At, Fraction Length)> Notes(Score score) =>
        [.. Performed.Notes(score with { ToSounding = Interval.Unison }).Select(note => (note.Midi, note.At, note.Length))];
}
