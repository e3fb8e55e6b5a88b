using Kitto.Core.Colour;
using Kitto.Core.Picture;

namespace Kitto.Core.Outcome;

/// <summary>A colour that was measured on a card.</summary>
/// <param name="Colour">The colour.</param>
/// <param name="Sd">How uncertain it is, CIELAB units along each axis, 0.5 to 20.</param>
public sealed record SeenColour(Lab Colour, double Sd)
{
    /// <summary>What all pictures of one hand and one lamp share, and what each has for itself, CIELAB units (ours, from the study of drawn pictures).</summary>
    public const double Shared = 1.7,
        Each = 1.8;

    /// <summary>From the zones that were measured; null where there are none.</summary>
    public static SeenColour? Of(IReadOnlyList<Lab> zones) =>
        zones.Count == 0
            ? null
            : new SeenColour(zones.Aggregate(default(Lab), (sum, z) => sum + z) * (1.0 / zones.Count), Math.Sqrt(Shared * Shared + Each * Each / zones.Count));

    /// <summary>dE00 from another colour, with the band that holds it four times out of five.</summary>
    /// <param name="other">The other; what both share of their uncertainty is taken as not shared.</param>
    /// <param name="sd">How uncertain the other is; 0: it is known.</param>
    public Measured From(Lab other, double sd = 0)
    {
        double apart = Difference2000.Between(Colour, other),
            plain = Math.Sqrt(Math.Pow(Colour.L - other.L, 2) + Math.Pow(Colour.A - other.A, 2) + Math.Pow(Colour.B - other.B, 2)),
            // How far a unit of CIELAB goes in dE00 just there.
            unit = plain < 0.5 ? 1 : Math.Min(1.5, apart / plain);
        return Measured.Of(apart, unit * Math.Sqrt(Sd * Sd + sd * sd), 0, 200);
    }
}
