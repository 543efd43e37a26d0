using System.Reflection;
using Microsoft.AspNetCore.OpenApi;

namespace TuningFork.Server.Hosting;

/// <summary>The OpenAPI document.</summary>
public static class ApiDescription
{
    /// <summary>True while the build writes the document: nothing may be opened or created then.</summary>
    public static bool IsBeingGenerated => Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    public static void Describe(OpenApiOptions options) =>
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info.Title = "Tuning Fork";
                document.Info.Version = "1";
                document.Info.Description =
                    $"Everything the screens do. Send the header {Ledger.Header}: demo, handDrum or own to say whose file is meant; without it the one the program was started with. Errors are problem details (RFC 9457) with the field and the remedy.";
                document.Servers = [];
                return Task.CompletedTask;
            }
        );
}
