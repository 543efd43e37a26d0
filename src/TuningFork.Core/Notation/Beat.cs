using System.Text.Json;
using System.Text.Json.Serialization;

namespace TuningFork.Core.Notation;

/// <summary>The note that a tempo counts.</summary>
[JsonConverter(typeof(BeatJson))]
public sealed record Beat
{
    private Beat(string name, Fraction value) => (Name, Value) = (name, value);

    /// <summary>A half note.</summary>
    public static Beat Half { get; } = new("half", new(1, 2));

    /// <summary>A dotted quarter.</summary>
    public static Beat DottedQuarter { get; } = new("dotted quarter", new(3, 8));

    /// <summary>A quarter, which is meant where nothing is said.</summary>
    public static Beat Quarter { get; } = new("quarter", new(1, 4));

    /// <summary>An eighth.</summary>
    public static Beat Eighth { get; } = new("eighth", new(1, 8));

    /// <summary>All of them, the longest first.</summary>
    public static IReadOnlyList<Beat> All { get; } = [Half, DottedQuarter, Quarter, Eighth];

    /// <summary>The name it is kept under.</summary>
    public string Name { get; }

    /// <summary>Its part of a whole note.</summary>
    public Fraction Value { get; }

    /// <summary>The beat of a name; null where there is none of it.</summary>
    /// <param name="name">A name, as it is kept.</param>
    public static Beat? Find(string name) => All.FirstOrDefault(beat => beat.Name == name);

    /// <inheritdoc/>
    public override string ToString() => Name;

    private sealed class BeatJson : JsonConverter<Beat>
    {
        public override Beat Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.GetString() is { } name && Find(name) is { } beat
                ? beat
                : throw new JsonException($"A tempo counts one of: {string.Join(", ", All)}.");

        public override void Write(Utf8JsonWriter writer, Beat value, JsonSerializerOptions options) => writer.WriteStringValue(value.Name);
    }
}
