using Kitto.Core.Head;

namespace Kitto.Core.Reasons;

/// <summary>What is said while colour is on the head. Times in minutes.</summary>
internal abstract record RunSays : Saying;

internal sealed record RinseFirstNow(IReadOnlyList<Zone> Zones) : RunSays;

internal sealed record RinseFirstIn(IReadOnlyList<Zone> Zones, double Minutes, double RestMinutesLater) : RunSays;

internal sealed record TimeIsUp(double ForMinutes) : RunSays;

internal sealed record MixIsOld(double Minutes, bool Reserve) : RunSays;

internal sealed record TimeShortened(double ToMinutes) : RunSays;

internal sealed record BehindPlan(double Minutes) : RunSays;
