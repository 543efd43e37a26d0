using System.Text.Json;
using System.Text.Json.Serialization;

namespace TuningFork.Core.Practice;

/// <summary>
/// Short lasting name of a method, under which books keep it: "one-take-rounds". The default value is no method, which is what a break has.
/// </summary>
[JsonConverter(typeof(MethodIdJson))]
public readonly record struct MethodId
{
    private readonly string? name;

    /// <summary>A name.</summary>
    /// <param name="name">As it is kept; empty for no method.</param>
    public MethodId(string name) => this.name = string.IsNullOrEmpty(name) ? null : name;

    /// <summary>As it is kept; empty for no method.</summary>
    public string Name => name ?? "";

    /// <summary>True for no method.</summary>
    public bool IsNone => name is null;

    /// <inheritdoc/>
    public override string ToString() => Name;

    private sealed class MethodIdJson : JsonConverter<MethodId>
    {
        public override MethodId Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            new(reader.GetString() ?? "");

        public override void Write(Utf8JsonWriter writer, MethodId value, JsonSerializerOptions options) =>
            writer.WriteStringValue(value.Name);
    }
}
