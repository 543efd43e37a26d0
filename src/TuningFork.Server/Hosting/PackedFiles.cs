using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Extensions.FileProviders;
using Microsoft.Net.Http.Headers;

namespace TuningFork.Server.Hosting;

/// <summary>The web's files, packed when they were built (Brotli, gzip), served as they lie there to whoever takes them so.</summary>
public static class PackedFiles
{
    private const string Assets = "/assets";
    private static readonly (string Encoding, string Ending)[] Kinds = [("br", ".br"), ("gzip", ".gz")];
    private static readonly FileExtensionContentTypeProvider Types = new();

    public static void Use(WebApplication app)
    {
        ArgumentNullException.ThrowIfNull(app);
        var files = app.Environment.WebRootFileProvider;
        app.Use(
            (context, next) =>
            {
                if (context.Request.Path.StartsWithSegments(Assets, StringComparison.Ordinal) && Packed(context.Request, files) is { } kind)
                {
                    context.Items[typeof(PackedFiles)] = kind.Encoding;
                    context.Request.Path = context.Request.Path.Value + kind.Ending;
                }

                return next(context);
            }
        );
        app.UseStaticFiles(
            new StaticFileOptions
            {
                ServeUnknownFileTypes = false,
                ContentTypeProvider = new Unpacked(),
                OnPrepareResponse = Prepare,
            }
        );
    }

    private static (string Encoding, string Ending)? Packed(HttpRequest request, IFileProvider files)
    {
        var accepted = request.GetTypedHeaders().AcceptEncoding;
        foreach (var kind in Kinds)
        {
            if (
                accepted.Any(one => one.Value.Equals(kind.Encoding, StringComparison.OrdinalIgnoreCase) && one.Quality is not 0)
                && files.GetFileInfo(request.Path + kind.Ending).Exists
            )
                return kind;
        }

        return null;
    }

    private static void Prepare(StaticFileResponseContext file)
    {
        var headers = file.Context.Response.Headers;
        if (file.Context.Items.TryGetValue(typeof(PackedFiles), out var encoding))
            headers[HeaderNames.ContentEncoding] = (string)encoding!;
        if (!file.Context.Request.Path.StartsWithSegments(Assets, StringComparison.Ordinal))
        {
            headers.CacheControl = "no-cache";
            return;
        }

        headers.CacheControl = "public, max-age=31536000, immutable";
        headers[HeaderNames.Vary] = HeaderNames.AcceptEncoding;
    }

    /// <summary>What a packed file is without its packing.</summary>
    private sealed class Unpacked : IContentTypeProvider
    {
        public bool TryGetContentType(string subpath, [System.Diagnostics.CodeAnalysis.MaybeNullWhen(false)] out string contentType) =>
            Types.TryGetContentType(
                Kinds.Aggregate(subpath, (path, kind) =>
                    path.EndsWith($".js{kind.Ending}", StringComparison.Ordinal)
                    || path.EndsWith($".css{kind.Ending}", StringComparison.Ordinal)
                        ? path[..^kind.Ending.Length]
                        : path
                ),
                out contentType
            );
    }
}
