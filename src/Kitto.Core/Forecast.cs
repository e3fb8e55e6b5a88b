using System.Text.Json.Serialization;
using Kitto.Core.Head;

namespace Kitto.Core;

/// <summary>A forecast colour.</summary>
/// <param name="Lab">CIELAB under D65.</param>
/// <param name="Hex">For a screen, which is not a swatch.</param>
public sealed record Look(IReadOnlyList<double> Lab, string Hex);

/// <summary>One stretch of hair as it looks: what is seen from a step away, and its two kinds of fibre where they are there.</summary>
/// <param name="Lab">Their mean, CIELAB under D65.</param>
/// <param name="Hex">For a screen, which is not a swatch.</param>
/// <param name="White">White fibres.</param>
/// <param name="Pigmented">Pigmented fibres.</param>
public sealed record Fibres(IReadOnlyList<double> Lab, string Hex, Look? White, Look? Pigmented);

/// <summary>The forecast of one zone, step by step.</summary>
/// <param name="Zone">Which.</param>
/// <param name="Lab">As it will look, CIELAB under D65.</param>
/// <param name="Hex">For a screen, which is not a swatch.</param>
/// <param name="DeltaE">dE00 to the wish.</param>
/// <param name="Grey">Share of white.</param>
/// <param name="Lifts">Levels that the developer lifts its pigment.</param>
/// <param name="Today">As it is now.</param>
/// <param name="Lifted">After the lift alone: what the dye has to counter (SH2).</param>
/// <param name="After">After lift and dye.</param>
public sealed record ZoneForecast(
    Zone Zone,
    IReadOnlyList<double> Lab,
    string Hex,
    double DeltaE,
    Share Grey,
    double Lifts,
    Fibres Today,
    Fibres Lifted,
    Fibres After
);

/// <summary>How the colour leaves again (RD9).</summary>
/// <param name="ShowsInWeeks">Weeks until the new colour looks plainly faded; null: not within a year.</param>
/// <param name="NextKitWeeks">Weeks to the next kit (SV11).</param>
/// <param name="Roots">The new colour then; null where the roots get none.</param>
/// <param name="Lengths">The lengths then.</param>
public sealed record Fade(int? ShowsInWeeks, int NextKitWeeks, Look? Roots, Look? Lengths);

/// <summary>What the hair will look like. A forecast for planning: the strand test decides.</summary>
/// <param name="Roots">Roots, the mean of what is seen; null where they get no dye.</param>
/// <param name="Lengths">Lengths.</param>
/// <param name="DeltaE">dE00 to the wish, the mean of what is seen.</param>
/// <param name="PerZone">Zone by zone, in the order of painting.</param>
/// <param name="Target">The wish.</param>
/// <param name="LengthsToday">The lengths now.</param>
/// <param name="Band">The faded band afterwards (RD11).</param>
/// <param name="BandToday">The faded band now.</param>
/// <param name="Fading">How it leaves again.</param>
/// <param name="GreenA">The greenest a* forecast anywhere, below zero; null where nothing comes out green (SH6).</param>
/// <param name="Tail">A root shadow's tail afterwards, just past the line (SV5).</param>
public sealed record Forecast(
    Look? Roots,
    Look? Lengths,
    double? DeltaE,
    IReadOnlyList<ZoneForecast> PerZone,
    Look? Target = null,
    Look? LengthsToday = null,
    Look? Band = null,
    Look? BandToday = null,
    Fade? Fading = null,
    double? GreenA = null,
    Look? Tail = null
)
{
    /// <summary>What the lengths shall be, where they have a formula of their own beside the roots' (SV13).</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Look? LengthsTarget { get; init; }

    /// <summary>dE00 of the lengths to their own wish; null where they have none, or get clear alone.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public double? LengthsDeltaE { get; init; }

    /// <summary>No forecast.</summary>
    public static Forecast None { get; } = new(null, null, null, []);
}

/// <summary>Another mix worth considering.</summary>
/// <param name="Parts">Its shades; their grams add up to the colour of the first formula.</param>
/// <param name="DeltaE">dE00 to the wish.</param>
/// <param name="Hex">What the roots would look like, for a screen.</param>
/// <param name="Why">What speaks for it and against it.</param>
public sealed record Alternative(IReadOnlyList<AlternativePart> Parts, double DeltaE, string? Hex = null, string? Why = null);

/// <summary>A part of another mix.</summary>
/// <param name="Shade">Code.</param>
/// <param name="Grams">Grams.</param>
/// <param name="Share">Its share of the colour.</param>
public sealed record AlternativePart(string Shade, Grams Grams, Share Share);
