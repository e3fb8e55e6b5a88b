using System.Text.Json.Serialization;
using Kitto.Core.Head;

namespace Kitto.Core.Strand;

/// <summary>One stretch of one zone and what is done to it; a stretch that is treated twice stands twice.</summary>
/// <param name="FromMm">Where it begins, from the scalp.</param>
/// <param name="ToMm">Where it ends.</param>
/// <param name="Stretch">Which stretch.</param>
/// <param name="Does">What is done.</param>
/// <param name="Formula">Which formula, from 0; null where none goes on.</param>
/// <param name="StartsAt">Minutes after the first stroke of that formula.</param>
/// <param name="ContactMinutes">How long it is on.</param>
/// <param name="Today">As it looks now.</param>
/// <param name="After">As it is forecast to look.</param>
public sealed record StrandRow(
    double FromMm,
    double ToMm,
    Stretch Stretch,
    Does Does,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] int? Formula = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] Minutes? StartsAt = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] Minutes? ContactMinutes = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] Look? Today = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] Look? After = null
)
{
    /// <summary>Its zone; the answer groups by it.</summary>
    [JsonIgnore]
    public Zone Zone { get; init; }

    /// <summary>When it gets its formula.</summary>
    [JsonIgnore]
    public Turn Turn { get; init; }

    /// <summary>Its length in centimetres.</summary>
    [JsonIgnore]
    public double Centimetres => (ToMm - FromMm) / 10;

    /// <summary>Whether it is regrowth.</summary>
    [JsonIgnore]
    public bool Regrowth => Stretch is Stretch.Scalp or Stretch.Grown;

    /// <summary>Whether the hair past the line of demarcation is meant.</summary>
    [JsonIgnore]
    public bool OnLengths => Stretch is Stretch.Lengths or Stretch.Ends;
}

/// <summary>The strand of one zone, from scalp to ends.</summary>
/// <param name="Zone">Which.</param>
/// <param name="Stretches">Its stretches.</param>
public sealed record ZoneStrand(Zone Zone, IReadOnlyList<StrandRow> Stretches);
