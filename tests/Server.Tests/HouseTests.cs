using System.Net;
using Shouldly;
using TuningFork.Server.Hosting;
using TuningFork.Server.Hosting.House;
using Xunit;

namespace TuningFork.Server.Tests;

/// <summary>Who is in the house, and what a code and a secret are worth.</summary>
public sealed class HouseTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("tuning-fork-").FullName;
    private readonly MovableClock time = new();

    public HouseTests() => time.Set(App.Evening);

    public void Dispose() => Directory.Delete(folder, recursive: true);

    /// <summary>Private networks by their RFCs 1918, 3927, 4193 and 4291; addresses of the world by RFC 3849 and common knowledge.</summary>
    [Theory]
    [InlineData("127.0.0.1", true)]
    [InlineData("192.168.7.9", true)]
    [InlineData("172.31.255.1", true)]
    [InlineData("::ffff:10.1.2.3", true)]
    [InlineData("fe80::1", true)]
    [InlineData("fd12:3456::9", true)]
    [InlineData("172.32.0.1", false)]
    [InlineData("8.8.8.8", false)]
    [InlineData("2001:db8::1", false)]
    public void The_world_outside_is_not_the_house(string address, bool isNear) =>
        HouseNames.IsNear(IPAddress.Parse(address)).ShouldBe(isNear);

    [Fact]
    public void A_code_counts_once_for_ten_minutes_and_the_newest_alone()
    {
        var devices = new Devices(folder, time);
        devices.Pair("", "nobody").ShouldBeNull();
        var first = devices.NewCode();
        var second = devices.NewCode();
        devices.Pair(first.Code, "late").ShouldBeNull();
        var secret = devices.Pair($" {second.Code[..4]} {second.Code[4..]}", "tablet\n").ShouldNotBeNull();
        devices.Pair(second.Code, "twice").ShouldBeNull();
        devices.Of(secret)!.Name.ShouldBe("tablet");
        devices.Of(secret + "x").ShouldBeNull();
        devices.Of("").ShouldBeNull();

        var third = devices.NewCode();
        time.Set(App.Evening + Devices.CodeLife + TimeSpan.FromSeconds(2));
        devices.Pair(third.Code, "too late").ShouldBeNull();
    }

    [Fact]
    public void Paired_devices_outlive_the_program_their_secret_is_nowhere_and_removed_they_are_strangers()
    {
        var devices = new Devices(folder, time);
        var secret = devices.Pair(devices.NewCode().Code, "phone")!;
        File.ReadAllText(Path.Combine(folder, "devices.json")).ShouldNotContain(secret);
        var again = new Devices(folder, time);
        time.Set(App.Evening.AddDays(3));
        again.Of(secret)!.SeenUtc.ShouldBe(App.Evening.AddDays(3).UtcDateTime, TimeSpan.FromSeconds(30));
        again.Rename(again.All()[0].Id, "the phone").ShouldBeTrue();
        again.Remove(again.All()[0].Id).ShouldBeTrue();
        new Devices(folder, time).Of(secret).ShouldBeNull();
        File.WriteAllText(Path.Combine(folder, "devices.json"), "damaged");
        new Devices(folder, time).All().ShouldBeEmpty();
    }

    [Fact]
    public void The_certificate_stays_until_it_runs_out_and_names_the_machine()
    {
        var now = time.GetUtcNow();
        using var first = HouseCertificate.In(folder, now);
        using var again = HouseCertificate.In(folder, now.AddDays(200));
        HouseCertificate.Fingerprint(again).ShouldBe(HouseCertificate.Fingerprint(first));
        first.MatchesHostname(HouseNames.Machine).ShouldBeTrue();
        first.MatchesHostname("localhost").ShouldBeTrue();
        using var later = HouseCertificate.In(folder, now.AddDays(390));
        HouseCertificate.Fingerprint(later).ShouldNotBe(HouseCertificate.Fingerprint(first));
        File.WriteAllText(Path.Combine(folder, "house-certificate.pfx"), "damaged");
        using var mended = HouseCertificate.In(folder, now);
        mended.HasPrivateKey.ShouldBeTrue();
    }
}
