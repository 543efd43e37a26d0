using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;

namespace TuningFork.Server.Hosting.House;

/// <summary>How this machine is called in the house.</summary>
public static class HouseNames
{
    /// <summary>Its name, in small letters.</summary>
    public static string Machine { get; } = Dns.GetHostName().ToLowerInvariant();

    /// <summary>The names under which it can be asked.</summary>
    public static IReadOnlyList<string> Hosts { get; } =
    [Machine, Machine.Contains('.', StringComparison.Ordinal) ? Machine : $"{Machine}.local", "localhost"];

    /// <summary>Its addresses in the house, those of a network of one's own first; none where there is no network.</summary>
    public static IReadOnlyList<IPAddress> Addresses() =>
        [
            .. NetworkInterface
                .GetAllNetworkInterfaces()
                .Where(card => card.OperationalStatus == OperationalStatus.Up && card.NetworkInterfaceType != NetworkInterfaceType.Loopback)
                .SelectMany(card => card.GetIPProperties().UnicastAddresses)
                .Select(unicast => unicast.Address)
                .Where(address => address.AddressFamily == AddressFamily.InterNetwork)
                .OrderByDescending(address => Private.Any(network => network.Contains(address))),
        ];

    /// <summary>Whether a request names this machine: by a name of its own, or by the very address it came to.</summary>
    /// <param name="host">The host that it names, without port.</param>
    /// <param name="cameTo">The address it came to.</param>
    public static bool IsThis(string host, IPAddress? cameTo) =>
        Hosts.Contains(host, StringComparer.OrdinalIgnoreCase)
        || (cameTo is not null && IPAddress.TryParse(host.Trim('[', ']'), out var named) && Plain(named).Equals(Plain(cameTo)));

    /// <summary>Whether a device is in the house: on this machine, in a private network, or in one that this machine has a card in.</summary>
    /// <param name="device">Its address.</param>
    public static bool IsNear(IPAddress device)
    {
        ArgumentNullException.ThrowIfNull(device);
        var plain = Plain(device);
        return IPAddress.IsLoopback(plain)
            || Private.Any(network => network.Contains(plain))
            || NetworkInterface
                .GetAllNetworkInterfaces()
                .SelectMany(card => card.GetIPProperties().UnicastAddresses)
                .Any(own => own.Address.AddressFamily == plain.AddressFamily && Network(own).Contains(plain));
    }

    /// <summary>Networks that nobody reaches from outside (RFC 1918, 3927, 4193, 4291).</summary>
    private static readonly IPNetwork[] Private =
    [
        IPNetwork.Parse("10.0.0.0/8"),
        IPNetwork.Parse("172.16.0.0/12"),
        IPNetwork.Parse("192.168.0.0/16"),
        IPNetwork.Parse("169.254.0.0/16"),
        IPNetwork.Parse("fc00::/7"),
        IPNetwork.Parse("fe80::/10"),
    ];

    private static IPNetwork Network(UnicastIPAddressInformation own)
    {
        var bytes = own.Address.GetAddressBytes();
        for (var bit = own.PrefixLength; bit < bytes.Length * 8; bit++)
            bytes[bit / 8] &= (byte)~(0x80 >> (bit % 8));
        return new IPNetwork(new IPAddress(bytes), own.PrefixLength);
    }

    private static IPAddress Plain(IPAddress address) => address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address;
}
