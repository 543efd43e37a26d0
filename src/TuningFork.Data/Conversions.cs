using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using TuningFork.Core.Notation;
using TuningFork.Core.Practice;

namespace TuningFork.Data;

/// <summary>Keeps a beat by its name.</summary>
internal sealed class BeatConversion() : ValueConverter<Beat, string>(beat => beat.Name, name => Beat.Find(name) ?? Beat.Quarter);

/// <summary>Keeps a method by its lasting name.</summary>
internal sealed class MethodIdConversion() : ValueConverter<MethodId, string>(id => id.Name, name => new MethodId(name));
