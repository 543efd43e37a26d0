using System.Text.Json;
using System.Text.Json.Serialization;

namespace TuningFork.Core.Tempo;

/// <summary>A tempo in whole beats a minute, 20 to 400.</summary>
[JsonConverter(typeof(BpmJson))]
public readonly record struct Bpm : IComparable<Bpm>
{
    /// <summary>Slowest tempo.</summary>
    public const int Slowest = 20;

    /// <summary>Fastest tempo.</summary>
    public const int Fastest = 400;

    /// <summary>Beats a minute.</summary>
    public int Value { get; }

    /// <summary>A tempo.</summary>
    /// <param name="value">Beats a minute, 20 to 400.</param>
    /// <exception cref="ArgumentOutOfRangeException">The value is outside 20 to 400.</exception>
    public Bpm(int value)
    {
        if (value is < Slowest or > Fastest)
            throw new ArgumentOutOfRangeException(nameof(value), value, "A tempo is 20 to 400 beats a minute.");
        Value = value;
    }

    /// <summary>The nearest tempo within 20 to 400.</summary>
    public static Bpm Near(double beatsPerMinute) =>
        new((int)Math.Clamp(Math.Round(beatsPerMinute, MidpointRounding.AwayFromZero), Slowest, Fastest));

    /// <summary>This tempo moved by some beats a minute, kept within 20 to 400.</summary>
    public Bpm Plus(int beats) => Near(Value + beats);

    /// <inheritdoc/>
    public int CompareTo(Bpm other) => Value.CompareTo(other.Value);

    /// <summary>Whether one is slower than the other.</summary>
    public static bool operator <(Bpm left, Bpm right) => left.Value < right.Value;

    /// <summary>Whether one is faster than the other.</summary>
    public static bool operator >(Bpm left, Bpm right) => left.Value > right.Value;

    /// <summary>Whether one is not faster than the other.</summary>
    public static bool operator <=(Bpm left, Bpm right) => left.Value <= right.Value;

    /// <summary>Whether one is not slower than the other.</summary>
    public static bool operator >=(Bpm left, Bpm right) => left.Value >= right.Value;

    /// <inheritdoc/>
    public override string ToString() => Value.ToString(System.Globalization.CultureInfo.InvariantCulture);

    private sealed class BpmJson : JsonConverter<Bpm>
    {
        public override Bpm Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.GetInt32() is >= Slowest and <= Fastest and var value
                ? new Bpm(value)
                : throw new JsonException("A tempo is 20 to 400 beats a minute.");

        public override void Write(Utf8JsonWriter writer, Bpm value, JsonSerializerOptions options) => writer.WriteNumberValue(value.Value);
    }
}
