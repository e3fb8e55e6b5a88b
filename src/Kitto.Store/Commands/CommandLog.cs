using System.Diagnostics.Metrics;
using Kitto.Core.Safety;
using Microsoft.Extensions.Logging;

namespace Kitto.Store.Commands;

/// <summary>What a command did that somebody may have to find again: ids and kinds, never a name and never what a client said.</summary>
internal static partial class CommandLog
{
    private static readonly Meter Meter = new("Kitto");
    private static readonly Counter<long> Said = Meter.CreateCounter<long>(
        "kitto.safety.events",
        description: "Events taken into the record of safety, by kind."
    );
    private static readonly Counter<long> Signatures = Meter.CreateCounter<long>(
        "kitto.prescriptions.signed",
        description: "Prescriptions signed, by decision."
    );

    /// <summary>After the transaction: what was taken into the record of safety.</summary>
    public static void Taken(ILogger log, Guid client, IReadOnlyList<SafetyEvent> events)
    {
        foreach (var e in events)
        {
            Said.Add(1, new KeyValuePair<string, object?>("kind", e.Kind.ToString()));
            SafetyEvent(log, e.Id, e.Kind, client, e.Kit, e.Rule);
        }
    }

    /// <summary>After the transaction: what was signed.</summary>
    public static void Signed(ILogger log, Guid client, string decision, Guid prescription, Guid? kit)
    {
        Signatures.Add(1, new KeyValuePair<string, object?>("decision", decision));
        PrescriptionSigned(log, prescription, decision, client, kit);
    }

    [LoggerMessage(100, LogLevel.Information, "Prescription {Prescription} signed: {Decision}, client {Client}, kit {Kit}")]
    private static partial void PrescriptionSigned(ILogger log, Guid prescription, string decision, Guid client, Guid? kit);

    [LoggerMessage(101, LogLevel.Information, "Safety event {Event}: {Kind}, client {Client}, kit {Kit}, rule {Rule}")]
    private static partial void SafetyEvent(ILogger log, Guid @event, SafetyKind kind, Guid client, Guid? kit, string? rule);

    /// <summary>Answers were kept.</summary>
    [LoggerMessage(102, LogLevel.Information, "Answers kept for client {Client}: {Stops} stops")]
    public static partial void Answered(ILogger log, Guid client, int stops);
}
