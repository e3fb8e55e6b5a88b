using Npgsql;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;

namespace Kitto.Web.Delivery;

/// <summary>Traces and metrics by the OpenTelemetry protocol, where an address to send them to is set; otherwise nothing is measured and nothing leaves the machine.</summary>
internal static class Telemetry
{
    /// <summary>The variable of the standard that holds the address.</summary>
    public const string Address = "OTEL_EXPORTER_OTLP_ENDPOINT";

    /// <summary>Adds them.</summary>
    public static void Add(WebApplicationBuilder builder)
    {
        if (string.IsNullOrEmpty(builder.Configuration[Address]))
        {
            return;
        }

        builder
            .Services.AddOpenTelemetry()
            .ConfigureResource(r => r.AddService("kitto"))
            // Addresses of guides and questions are secrets: a trace keeps the pattern of the route, not the path.
            .WithTracing(t =>
                t.AddAspNetCoreInstrumentation(o =>
                        o.EnrichWithHttpResponse = (activity, response) =>
                        {
                            string route = (response.HttpContext.GetEndpoint() as RouteEndpoint)?.RoutePattern.RawText ?? "";
                            activity.SetTag("url.path", "/" + route);
                            activity.SetTag("url.query", null);
                        }
                    )
                    .AddNpgsql()
                    .AddOtlpExporter()
            )
            .WithMetrics(m => m.AddAspNetCoreInstrumentation().AddMeter("Kitto", "Npgsql").AddOtlpExporter());
    }
}
