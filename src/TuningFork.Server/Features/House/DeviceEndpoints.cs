using System.Globalization;
using QRCoder;
using TuningFork.Core.Planning;
using TuningFork.Server.Features.Keeping;
using TuningFork.Server.Hosting;
using TuningFork.Server.Hosting.House;

namespace TuningFork.Server.Features.House;

/// <summary>A paired device, in words.</summary>
public sealed record DeviceView(Guid Id, string Name, string Words);

/// <summary>The devices in the house.</summary>
/// <param name="IsOn">Whether the program listens to the house.</param>
/// <param name="Addresses">Where it can be reached from other devices.</param>
/// <param name="Fingerprint">That of its certificate, to compare with what a browser shows.</param>
public sealed record DevicesView(bool IsOn, IReadOnlyList<string> Addresses, string Fingerprint, IReadOnlyList<DeviceView> Devices);

/// <summary>A code for one device.</summary>
/// <param name="Code">"4821 9037".</param>
/// <param name="Address">The address with the code in it.</param>
/// <param name="Picture">The address as a QR code (ISO/IEC 18004): rows of 0 and 1, a quiet margin of four round it.</param>
/// <param name="Minutes">Minutes for which it counts.</param>
public sealed record CodeView(string Code, string Address, IReadOnlyList<string> Picture, int Minutes);

/// <summary>A new name for a device.</summary>
public sealed record DeviceWish(string Name);

/// <summary>Devices over HTTP, on this machine only.</summary>
public static class DeviceEndpoints
{
    public static void MapDevices(this WebApplication app)
    {
        var group = app.MapGroup("/api/devices").WithTags("Devices").WithMetadata(new OnlyHere(), new OwnTurn(), new WorksInTrouble());
        group.MapGet("", View).WithName("GetDevices");
        group
            .MapPost("/code", (HouseDoor door, Devices devices) =>
            {
                if (door.Port is not { } port || AddressesOf(port) is not [var address, ..])
                    throw new FieldException(
                        "house",
                        "The program does not listen to the house. Stop it and start it with ./run --house, while this machine is in a network.",
                        StatusCodes.Status409Conflict
                    );
                var code = devices.NewCode();
                var link = $"{address}/pair?code={code.Code}";
                return new CodeView($"{code.Code[..4]} {code.Code[4..]}", link, Picture(link), (int)Devices.CodeLife.TotalMinutes);
            })
            .WithName("MakePairingCode");
        group
            .MapPut("/{id:guid}", (Guid id, DeviceWish wish, HouseDoor door, Devices devices, TimeProvider time) =>
            {
                var name = Problems.Text("name", wish.Name, Devices.LongestName);
                if (name.Length == 0)
                    throw new FieldException("name", "Give the device a name, like \"the tablet on the stand\".");
                return devices.Rename(id, name) ? View(door, devices, time) : throw Problems.Unknown("id", "device");
            })
            .WithName("RenameDevice");
        group
            .MapDelete("/{id:guid}", (Guid id, HouseDoor door, Devices devices, TimeProvider time) =>
                devices.Remove(id) ? View(door, devices, time) : throw Problems.Unknown("id", "device")
            )
            .WithName("RemoveDevice");
    }

    /// <summary>Where the program can be reached from other devices; none without a network.</summary>
    public static IReadOnlyList<string> AddressesOf(int port) =>
        [.. HouseNames.Addresses().Select(address => string.Create(CultureInfo.InvariantCulture, $"https://{address}:{port}"))];

    private static DevicesView View(HouseDoor door, Devices devices, TimeProvider time)
    {
        string Day(DateTime utc) =>
            PracticeDay.Of(new DateTimeOffset(utc, TimeSpan.Zero), time.LocalTimeZone).ToString("d MMM yyyy", CultureInfo.InvariantCulture);
        return new DevicesView(
            door.Port is not null,
            door.Port is { } port ? AddressesOf(port) : [],
            door.Fingerprint,
            [
                .. devices
                    .All()
                    .Select(device => new DeviceView(
                        device.Id,
                        device.Name,
                        $"paired {Day(device.PairedUtc)}, last here {Day(device.SeenUtc)}"
                    )),
            ]
        );
    }

    private static List<string> Picture(string text)
    {
        using var maker = new QRCodeGenerator();
        using var picture = maker.CreateQrCode(text, QRCodeGenerator.ECCLevel.M);
        return [.. picture.ModuleMatrix.Select(row => string.Concat(Enumerable.Range(0, row.Count).Select(i => row[i] ? '1' : '0')))];
    }
}
