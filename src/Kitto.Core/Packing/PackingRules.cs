using Kitto.Core.Reasons;

namespace Kitto.Core.Packing;

/// <summary>What may be told of a kit at the bench as it stands.</summary>
public static class PackingRules
{
    /// <summary>Most grams of one pour: no vessel of a kit takes more (ours).</summary>
    public const decimal MostGrams = 2_000;

    /// <summary>A filling is never made smaller than this share of what is prescribed (ours).</summary>
    public const double LeastFactor = 0.3;

    /// <summary>Why a line is not taken down; null where it is.</summary>
    /// <param name="plan">What is weighed.</param>
    /// <param name="events">What was told so far.</param>
    /// <param name="said">What is told now.</param>
    public static Saying? Refuses(PackingPlan plan, IReadOnlyList<PackingEvent> events, PackingEvent said)
    {
        PackingRefused No(PackingRefusal why) => new(why);
        if (said.Kind == PackingKind.Agreed)
        {
            return Reasoned(said) ? null : No(PackingRefusal.ReasonMissing);
        }

        var stand = PackingStand.Of(plan, events);
        if (stand.Find(said.Vessel) is not { } vessel)
        {
            return No(PackingRefusal.NoSuchVessel);
        }

        var part = vessel.Parts.FirstOrDefault(p => p.Part.Item == said.Item);
        return said.Kind switch
        {
            PackingKind.Poured when part is null => No(PackingRefusal.NoSuchPart),
            PackingKind.Poured when said.Grams is <= 0 or > MostGrams => new GramsOutOfRange((double)said.Grams, (double)MostGrams),
            PackingKind.Poured when vessel.Parts.Any(p => p.State == PartState.Over) => No(PackingRefusal.DecideFirst),
            PackingKind.Poured when vessel is { Labelled: true, Filled: true } => No(PackingRefusal.IsClosed),
            PackingKind.Poured when !stand.Ready(vessel) => No(PackingRefusal.BlendComesFirst),
            PackingKind.Raised when part?.State != PartState.Over => No(PackingRefusal.NothingToDecide),
            PackingKind.Taken when part?.State is not (PartState.Over or PartState.Under) => No(PackingRefusal.NothingToDecide),
            PackingKind.Smaller when said.Factor is < LeastFactor or >= 1 => No(PackingRefusal.FactorOutOfRange),
            PackingKind.Smaller when MostPoured(stand, vessel.Vessel.Group) > said.Factor => No(PackingRefusal.TooMuchIsIn),
            PackingKind.Undone or PackingKind.Moved when vessel.Last is not { } last || last.Id != said.Of => No(PackingRefusal.NotTheLast),
            PackingKind.Moved when vessel.Last!.Kind != PackingKind.Poured || part is null => No(PackingRefusal.NoSuchPart),
            PackingKind.Undone when vessel.Last!.Kind == PackingKind.Dropped => No(PackingRefusal.WhatIsLostIsLost),
            PackingKind.Dropped when vessel.Grams == 0 => No(PackingRefusal.NothingIsIn),
            PackingKind.Labelled when !vessel.Filled || !vessel.Vessel.Sent => No(PackingRefusal.NotFilled),
            PackingKind.Dropped or PackingKind.Excused when !Reasoned(said) => No(PackingRefusal.ReasonMissing),
            _ => null,
        };
    }

    /// <summary>The greatest factor that what is in the vessels of a group comes to, less what is right anyway.</summary>
    private static double MostPoured(PackingStand stand, string group) =>
        stand
            .Vessels.Where(v => v.Vessel.Group == group)
            .SelectMany(v => v.Parts.Where(p => p.Poured > 0).Select(p => p.Part.FactorOf((double)p.Poured - p.Band)))
            .DefaultIfEmpty(0)
            .Max();

    private static bool Reasoned(PackingEvent said) => WrittenReason.Is(said.Says);
}
