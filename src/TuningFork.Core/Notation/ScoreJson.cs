using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using TuningFork.Core.Tempo;
using TuningFork.Core.Theory;

namespace TuningFork.Core.Notation;

/// <summary>Music as it is kept: the score itself, in JSON. What is written comes back as it was.</summary>
public static class ScoreJson
{
    private static readonly JsonSerializerOptions Options = new()
    {
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingDefault,
        IgnoreReadOnlyProperties = true,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { WithoutEmpty } },
        Converters =
        {
            new AsText<Pitch>(pitch => pitch.ToString(), Pitch.Parse),
            new AsText<Fraction>(fraction => fraction.ToString(), FractionOf),
            new AsText<Key>(key => key.ToString(), text => Key.TryParse(text, out var key) ? key : throw new JsonException(text)),
            new AsText<TimeSignature>(
                time => time.ToString(),
                text => TimeSignature.TryParse(text, out var time) ? time : throw new JsonException(text)
            ),
            new AsText<Bpm>(
                bpm => bpm.Value.ToString(System.Globalization.CultureInfo.InvariantCulture),
                text => new Bpm(int.Parse(text, System.Globalization.CultureInfo.InvariantCulture))
            ),
            new JsonStringEnumConverter(),
        },
    };

    /// <summary>The text of music.</summary>
    /// <param name="music">The music.</param>
    public static string Write(Music music) => JsonSerializer.Serialize(music, Options);

    /// <summary>The music of a text that was written so.</summary>
    /// <param name="text">Such a text.</param>
    /// <exception cref="JsonException">It is none.</exception>
    public static Music Read(string text)
    {
        try
        {
            return JsonSerializer.Deserialize<Music>(text, Options) is { Voices: [_, ..] } music
                ? music
                : throw new JsonException("There is no voice.");
        }
        catch (Exception problem) when (problem is FormatException or ArgumentException or OverflowException or DivideByZeroException)
        {
            throw new JsonException(problem.Message, problem);
        }
    }

    private static Fraction FractionOf(string text)
    {
        var parts = text.Split('/');
        return new Fraction(
            long.Parse(parts[0], System.Globalization.CultureInfo.InvariantCulture),
            parts.Length > 1 ? long.Parse(parts[1], System.Globalization.CultureInfo.InvariantCulture) : 1
        );
    }

    /// <summary>Lists and texts without anything in them are not written.</summary>
    private static void WithoutEmpty(JsonTypeInfo type)
    {
        foreach (var property in type.Properties)
        {
            if (property.PropertyType == typeof(string))
                property.ShouldSerialize = (_, value) => value is string { Length: > 0 };
            else if (typeof(System.Collections.IEnumerable).IsAssignableFrom(property.PropertyType))
                property.ShouldSerialize = (_, value) => value is System.Collections.IEnumerable all && all.Cast<object>().Any();
        }
    }

    private sealed class AsText<T>(Func<T, string> write, Func<string, T> read) : JsonConverter<T>
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            read(reader.GetString() ?? throw new JsonException("A text is missing."));

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteStringValue(write(value));
    }
}
