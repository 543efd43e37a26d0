namespace TuningFork.Server.Hosting.House;

/// <summary>A file that only its owner may read: whole under its name, or as it was before.</summary>
internal static class PrivateFile
{
    /// <exception cref="IOException">It cannot be written.</exception>
    /// <exception cref="UnauthorizedAccessException">It may not be written.</exception>
    public static void Write(string path, byte[] bytes)
    {
        var partial = path + ".partial";
        File.WriteAllBytes(partial, bytes);
        if (!OperatingSystem.IsWindows())
            File.SetUnixFileMode(partial, UnixFileMode.UserRead | UnixFileMode.UserWrite);
        File.Move(partial, path, overwrite: true);
    }
}
