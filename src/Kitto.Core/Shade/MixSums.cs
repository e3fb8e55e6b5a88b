using System.Runtime.Intrinsics;

namespace Kitto.Core.Shade;

/// <summary>What a mix holds of all that the rules ask for: shares by what they are of, counts and levels.</summary>
internal readonly record struct MixSums
{
    private readonly Vector512<double> one,
        two;

    private MixSums(Vector512<double> one, Vector512<double> two) => (this.one, this.two) = (one, two);

    /// <summary>What the line has of the wished family near the wish: 2 shades, 1 a concentrate only, 0 nothing (SH18).</summary>
    public int Have { get; private init; }
    public int Parts { get; private init; }
    public int Concentrates { get; private init; }

    /// <summary>Level of the deepest shade; 0 where none has one.</summary>
    public int Deepest { get; private init; }
    public int Lightest { get; private init; }
    public double Smallest { get; private init; }
    public double Neutral => one[0];
    public double Extra => one[1];

    /// <summary>Of the wished family, concentrates aside; these are <see cref="Seasoned"/>.</summary>
    public double Family => one[2];
    public double Seasoned => one[3];

    /// <summary>Of families that are neither wished nor neutral.</summary>
    public double Foreign => one[4];
    public double Clear => one[5];
    public double Concentrate => one[6];
    public double Depth => one[7];
    public double Green => two[0];
    public double Blue => two[1];
    public double Violet => two[2];
    public double Red => two[3];
    public double Copper => two[4];
    public double Yellow => two[5];

    /// <summary>Share of ash, as shade or concentrate.</summary>
    public double Cool => Green + Blue;

    /// <summary>Share of red and copper, as shade or concentrate.</summary>
    public double Warm => Red + Copper;

    /// <summary>Mean level of the shades that have one.</summary>
    public double MeanLevel => Depth > 0 ? two[6] / Depth : 0;

    /// <summary>Sums of a mix; codes that are no shade count as nothing.</summary>
    public static MixSums Of(IEnumerable<MixPart> parts, MixRules rules, Line line) =>
        parts.Aggregate(Nothing(rules, line), (sum, p) => ShadeOf.Parse(p.Shade) is { } shade ? sum.With(Of(shade, rules), p.Share.Value) : sum);

    /// <summary>No part yet.</summary>
    public static MixSums Nothing(MixRules rules, Line line)
    {
        var wished = rules.Near(line).Where(s => rules.Wished(s.Family)).ToList();
        return new MixSums(default, default)
        {
            Smallest = 1,
            Have =
                wished.Any(s => !s.Concentrate) ? 2
                : wished.Count > 0 ? 1
                : 0,
        };
    }

    /// <summary>All of one shade.</summary>
    public static MixSums Of(ShadeOf shade, MixRules rules)
    {
        static double If(bool so) => so ? 1 : 0;
        var (family, wished) = (shade.Family, rules.Wished(shade.Family));
        bool neutral = family is { } f && MixRules.IsNeutral(f);
        return new MixSums(
            Vector512.Create(
                If(neutral),
                If(family is Shade.Family.NN),
                If(wished && !shade.Concentrate),
                If(wished && shade.Concentrate),
                If(!wished && !neutral && family is not null),
                If(family is null),
                If(shade.Concentrate),
                If(shade.Level > 0)
            ),
            Vector512.Create(
                If(family is Shade.Family.AG),
                If(family is Shade.Family.AB),
                If(family is Shade.Family.V),
                If(family is Shade.Family.R),
                If(family is Shade.Family.C),
                If(family is Shade.Family.G or Shade.Family.B),
                shade.Level,
                0
            )
        )
        {
            Parts = 1,
            Concentrates = shade.Concentrate ? 1 : 0,
            Deepest = shade.Level,
            Lightest = shade.Level,
        };
    }

    /// <summary>With so much of a shade added.</summary>
    public MixSums With(in MixSums shade, double share) =>
        new(one + shade.one * share, two + shade.two * share)
        {
            Have = Have,
            Parts = Parts + 1,
            Concentrates = Concentrates + shade.Concentrates,
            Smallest = Math.Min(Smallest, share),
            Deepest = Deepest == 0 || (shade.Deepest > 0 && shade.Deepest < Deepest) ? shade.Deepest : Deepest,
            Lightest = Math.Max(Lightest, shade.Lightest),
        };
}
