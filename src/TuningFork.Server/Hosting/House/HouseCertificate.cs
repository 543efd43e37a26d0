using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace TuningFork.Server.Hosting.House;

/// <summary>The certificate with which the program speaks to devices in the house: made on this machine, and of no use to anybody else.</summary>
public static class HouseCertificate
{
    private const string Name = "house-certificate.pfx";

    /// <summary>As long as browsers take one for; it is made anew a month before.</summary>
    private static readonly TimeSpan Life = TimeSpan.FromDays(397);
    private static readonly TimeSpan Left = TimeSpan.FromDays(30);

    /// <summary>The certificate in a folder; made when there is none, when it runs out, or when the machine is called otherwise.</summary>
    /// <param name="folder">The folder of the books.</param>
    /// <param name="now">Now.</param>
    public static X509Certificate2 In(string folder, DateTimeOffset now)
    {
        var path = Path.Combine(folder, Name);
        if (File.Exists(path) && Read(path) is { } kept)
        {
            if (kept.NotAfter > now.UtcDateTime + Left && kept.MatchesHostname(HouseNames.Machine))
                return kept;
            kept.Dispose();
        }

        using var made = Make(now);
        var bytes = made.Export(X509ContentType.Pkcs12);
        Keep(path, bytes);
        return X509CertificateLoader.LoadPkcs12(bytes, null);
    }

    /// <summary>Where it cannot be kept the next start makes another; that the folder cannot be written is told by who holds it.</summary>
    private static void Keep(string path, byte[] bytes)
    {
        try
        {
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            PrivateFile.Write(path, bytes);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            // Nothing depends on it but that devices are asked once more.
        }
    }

    /// <summary>What somebody who sees the warning of a browser may compare: the SHA-256 of the certificate, in pairs.</summary>
    public static string Fingerprint(X509Certificate2 certificate)
    {
        ArgumentNullException.ThrowIfNull(certificate);
        return string.Join(':', Convert.ToHexString(SHA256.HashData(certificate.RawData)).Chunk(2).Select(pair => new string(pair)));
    }

    private static X509Certificate2? Read(string path)
    {
        try
        {
            return X509CertificateLoader.LoadPkcs12FromFile(path, null);
        }
        catch (CryptographicException)
        {
            // Damaged: another is made.
            return null;
        }
    }

    private static X509Certificate2 Make(DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN=Tuning Fork on {HouseNames.Machine}", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        foreach (var name in HouseNames.Hosts)
            names.AddDnsName(name);
        foreach (var address in HouseNames.Addresses().Append(IPAddress.Loopback))
            names.AddIpAddress(address);
        request.CertificateExtensions.Add(names.Build());
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, critical: true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, critical: true));
        // For servers (RFC 5280, 4.2.1.12).
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new Oid("1.3.6.1.5.5.7.3.1")], critical: false));
        return request.CreateSelfSigned(now.AddDays(-1), now + Life);
    }
}
