using System.Security.Cryptography;
using System.Text;
using System.Text.Json;

namespace TuningFork.Server.Hosting.House;

/// <summary>A device in the house that was paired.</summary>
/// <param name="Hash">SHA-256 of its secret; the secret itself is known to the device alone.</param>
public sealed record Device(Guid Id, string Name, string Hash, DateTime PairedUtc, DateTime SeenUtc);

/// <summary>A code with which one device may be paired.</summary>
public sealed record PairingCode(string Code, DateTime UntilUtc);

/// <summary>The devices that may use the program from elsewhere in the house, and how another becomes one.</summary>
/// <param name="folder">The folder of the books; the list is kept there.</param>
/// <param name="time">Now.</param>
public sealed class Devices(string folder, TimeProvider time)
{
    /// <summary>A code counts for so long, for one device, and is gone after so many wrong ones.</summary>
    public static readonly TimeSpan CodeLife = TimeSpan.FromMinutes(10);
    private const int MostWrong = 5;
    private const int CodeDigits = 8;

    public const int LongestName = 60;
    private const int MostDevices = 50;
    private const int SecretBytes = 32;

    /// <summary>When a device was last seen is written no more often.</summary>
    private static readonly TimeSpan SeenEvery = TimeSpan.FromHours(1);

    private readonly Lock gate = new();
    private List<Device>? known;
    private PairingCode? code;
    private int wrong;

    private string File => Path.Combine(folder, "devices.json");

    /// <summary>All of them, the one paired last first.</summary>
    public IReadOnlyList<Device> All()
    {
        lock (gate)
            return [.. Known().OrderByDescending(device => device.PairedUtc)];
    }

    /// <summary>A new code; the one before counts no more.</summary>
    public PairingCode NewCode()
    {
        lock (gate)
        {
            var number = RandomNumberGenerator.GetString("0123456789", CodeDigits);
            (code, wrong) = (new PairingCode(number, Now + CodeLife), 0);
            return code;
        }
    }

    /// <summary>Pairs a device: its secret, or null where the code is not the one that counts.</summary>
    /// <param name="typed">The code as it was typed; blanks do not matter.</param>
    /// <param name="name">What the device is to be called.</param>
    public string? Pair(string typed, string name)
    {
        ArgumentNullException.ThrowIfNull(typed);
        lock (gate)
        {
            if (code is null || Now > code.UntilUtc || wrong >= MostWrong || Known().Count >= MostDevices)
                return null;
            var digits = Encoding.ASCII.GetBytes(string.Concat(typed.Where(char.IsAsciiDigit)));
            if (!CryptographicOperations.FixedTimeEquals(digits, Encoding.ASCII.GetBytes(code.Code)))
            {
                wrong++;
                return null;
            }

            var secret = Convert.ToBase64String(RandomNumberGenerator.GetBytes(SecretBytes));
            Write([.. Known(), new Device(Guid.NewGuid(), Named(name), HashOf(secret), Now, Now)]);
            // Where it could not be written the code counts on.
            code = null;
            return secret;
        }
    }

    /// <summary>The device with this secret; null when there is none, or it was removed.</summary>
    public Device? Of(string? secret)
    {
        if (string.IsNullOrEmpty(secret) || secret.Length > 2 * SecretBytes)
            return null;
        var hash = HashOf(secret);
        lock (gate)
        {
            var place = Known().FindIndex(device => device.Hash == hash);
            if (place < 0)
                return null;
            if (Now - Known()[place].SeenUtc > SeenEvery)
            {
                List<Device> seen = [.. Known()];
                seen[place] = seen[place] with { SeenUtc = Now };
                // When it was seen is not worth refusing it on a full disk.
                TryWrite(seen);
            }

            return Known()[place];
        }
    }

    /// <summary>Calls a device otherwise; false when there is none.</summary>
    public bool Rename(Guid id, string name) => Change(id, device => device with { Name = Named(name) });

    /// <summary>Removes a device: from now on it is a stranger. False when there is none.</summary>
    public bool Remove(Guid id) => Change(id, _ => null);

    private bool Change(Guid id, Func<Device, Device?> change)
    {
        lock (gate)
        {
            var place = Known().FindIndex(device => device.Id == id);
            if (place < 0)
                return false;
            List<Device> next = [.. Known()];
            if (change(next[place]) is { } changed)
                next[place] = changed;
            else
                next.RemoveAt(place);
            Write(next);
            if (next.Count < place + 1 || next[place].Id != id)
                Hang(id);
            return true;
        }
    }

    private DateTime Now => time.GetUtcNow().UtcDateTime;

    private List<Device> Known() => known ??= Read();

    private List<Device> Read()
    {
        try
        {
            return System.IO.File.Exists(File) ? JsonSerializer.Deserialize<List<Device>>(System.IO.File.ReadAllText(File)) ?? [] : [];
        }
        catch (JsonException)
        {
            // Damaged: nobody is let in by it; devices are paired anew.
            return [];
        }
    }

    /// <summary>Writes the list, and only then holds it for true: what could not be written has not happened.</summary>
    private void Write(List<Device> next)
    {
        try
        {
            PrivateFile.Write(File, JsonSerializer.SerializeToUtf8Bytes(next));
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            throw new FieldException(
                "devices",
                $"The list of devices could not be written ({problem.Message.TrimEnd('.')}). Nothing was changed; make room or give the folder its rights back, and try again.",
                StatusCodes.Status507InsufficientStorage
            );
        }

        known = next;
    }

    private void TryWrite(List<Device> next)
    {
        try
        {
            Write(next);
        }
        catch (FieldException)
        {
            known = next;
        }
    }

    private readonly Dictionary<Guid, CancellationTokenSource> lines = [];

    /// <summary>Cancelled when a device is removed: what it listens to ends then.</summary>
    /// <param name="id">The device.</param>
    public CancellationToken WhenRemoved(Guid id)
    {
        lock (gate)
        {
            if (!lines.TryGetValue(id, out var line))
                lines[id] = line = new CancellationTokenSource();
            return line.Token;
        }
    }

    private void Hang(Guid id)
    {
        if (!lines.Remove(id, out var line))
            return;
        line.Cancel();
        line.Dispose();
    }

    private static string Named(string name)
    {
        var plain = string.Concat(name.Where(sign => !char.IsControl(sign))).Trim();
        return plain.Length == 0 ? "a device" : plain[..Math.Min(plain.Length, LongestName)];
    }

    private static string HashOf(string secret) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(secret)));
}
