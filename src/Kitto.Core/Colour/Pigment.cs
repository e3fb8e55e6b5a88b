using System.Runtime.Intrinsics;

namespace Kitto.Core.Colour;

/// <summary>What dye adds to a fibre: depth, which absorbs like melanin, and six tones with a band each, in units of eumelanin at 550 nm; and how much of the warmth of lightened hair it takes the place of. No value of a real dye is negative.</summary>
public readonly record struct Pigment
{
    /// <summary>The seven dyes in the order of the constructor, and the share of warmth covered, as one vector.</summary>
    private readonly Vector512<double> dyes;

    /// <summary>A dye of seven amounts.</summary>
    /// <param name="depth">Depth.</param>
    /// <param name="green">Green base.</param>
    /// <param name="blue">Blue base.</param>
    /// <param name="violet">Violet.</param>
    /// <param name="red">Red.</param>
    /// <param name="copper">Copper.</param>
    /// <param name="gold">Gold.</param>
    public Pigment(double depth, double green, double blue, double violet, double red, double copper, double gold) =>
        dyes = Vector512.Create(depth, green, blue, violet, red, copper, gold, 0);

    private Pigment(Vector512<double> dyes) => this.dyes = dyes;

    /// <summary>Depth alone.</summary>
    public static Pigment OfDepth(double depth) => new(Vector512.CreateScalar(depth));

    /// <summary>Depth.</summary>
    public double Depth => dyes[0];

    /// <summary>Green base.</summary>
    public double Green => dyes[1];

    /// <summary>Blue base.</summary>
    public double Blue => dyes[2];

    /// <summary>Violet.</summary>
    public double Violet => dyes[3];

    /// <summary>Red.</summary>
    public double Red => dyes[4];

    /// <summary>Copper.</summary>
    public double Copper => dyes[5];

    /// <summary>Gold.</summary>
    public double Gold => dyes[6];

    /// <summary>Dyes add up.</summary>
    public static Pigment operator +(in Pigment a, in Pigment b) => new(a.dyes + b.dyes);

    /// <summary>So much of it.</summary>
    public static Pigment operator *(in Pigment a, double times) => new(a.dyes * times);

    /// <summary>The share of the warm residue of lightened hair that it takes the place of; more than all of it counts as all.</summary>
    public double Covers => dyes[7];

    /// <summary>The same dye, covering so much of the warmth of lightened hair.</summary>
    internal Pigment Covering(double share) => new(dyes.WithElement(7, share));

    /// <summary>Depth and tones kept in different shares.</summary>
    public Pigment Faded(double depth, double tones) => new(dyes * Vector512.Create(tones).WithElement(0, depth));
}
