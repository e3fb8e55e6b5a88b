using System.Globalization;

namespace Kitto.Core;

/// <summary>A quantity of one kind, checked where it is made.</summary>
/// <typeparam name="TSelf">The quantity itself.</typeparam>
public interface IQuantity<out TSelf>
{
    /// <summary>The plain number, in the unit the type names.</summary>
    double Value { get; }

    /// <summary>Makes the quantity from a plain number.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The number is outside the documented range.</exception>
    static abstract TSelf Of(double value);
}

/// <summary>Mass in grams, 0 to 10 000. One millilitre of cream, gel or developer counts as one gram (common practice, true within 5 %).</summary>
public readonly record struct Grams : IQuantity<Grams>
{
    private Grams(double value) => Value = value;

    /// <inheritdoc/>
    public double Value { get; }

    /// <inheritdoc/>
    public static Grams Of(double value) => new(RangeCheck.Check(value, 0, 10_000, nameof(Grams)));

    /// <summary>The sum.</summary>
    public static Grams operator +(Grams a, Grams b) => Of(a.Value + b.Value);

    /// <summary>The difference; never below nothing.</summary>
    public static Grams operator -(Grams a, Grams b) => Of(a.Value - b.Value);

    /// <summary>So many times the mass.</summary>
    public static Grams operator *(Grams a, double times) => Of(a.Value * times);

    /// <summary>Rounded to a tenth of a gram, as weighed and shown.</summary>
    public Grams Tenths() => new(Math.Round(Value, 1, MidpointRounding.AwayFromZero));

    /// <inheritdoc/>
    public override string ToString() => Value.ToString("0.0", CultureInfo.InvariantCulture) + " g";
}

/// <summary>Length in millimetres, 0 to 2 000.</summary>
public readonly record struct Millimetres : IQuantity<Millimetres>
{
    private Millimetres(double value) => Value = value;

    /// <inheritdoc/>
    public double Value { get; }

    /// <summary>The same length in centimetres.</summary>
    public double Centimetres => Value / 10;

    /// <inheritdoc/>
    public static Millimetres Of(double value) => new(RangeCheck.Check(value, 0, 2_000, nameof(Millimetres)));

    /// <summary>The sum.</summary>
    public static Millimetres operator +(Millimetres a, Millimetres b) => Of(a.Value + b.Value);

    /// <inheritdoc/>
    public override string ToString() => Value.ToString("0.#", CultureInfo.InvariantCulture) + " mm";
}

/// <summary>A share of a whole, 0 to 1.</summary>
public readonly record struct Share : IQuantity<Share>
{
    private Share(double value) => Value = value;

    /// <inheritdoc/>
    public double Value { get; }

    /// <summary>The share in percent.</summary>
    public double Percent => Value * 100;

    /// <inheritdoc/>
    public static Share Of(double value) => new(RangeCheck.Check(value, 0, 1, nameof(Share)));

    /// <inheritdoc/>
    public override string ToString() => Percent.ToString("0.#", CultureInfo.InvariantCulture) + " %";
}

/// <summary>Time on the head or in the bowl, minutes, 0 to 1 440.</summary>
public readonly record struct Minutes : IQuantity<Minutes>
{
    private Minutes(double value) => Value = value;

    /// <inheritdoc/>
    public double Value { get; }

    /// <inheritdoc/>
    public static Minutes Of(double value) => new(RangeCheck.Check(value, 0, 1_440, nameof(Minutes)));

    /// <summary>Rounded to a tenth of a minute, the grain in which contact limits are compared (tables, Clock).</summary>
    public Minutes Tenths() => new(Math.Round(Value, 1, MidpointRounding.AwayFromZero));

    /// <inheritdoc/>
    public override string ToString() => Value.ToString("0.#", CultureInfo.InvariantCulture) + " min";
}

/// <summary>Depth of colour: 1 (black) to 10 (lightest blonde); 11 and 12 are high-lift shades. Halves are used when reading (RD1).</summary>
public readonly record struct Level : IQuantity<Level>
{
    private Level(double value) => Value = value;

    /// <inheritdoc/>
    public double Value { get; }

    /// <inheritdoc/>
    public static Level Of(double value) => new(RangeCheck.Check(value, 1, 12, nameof(Level)));

    /// <summary>How many levels lighter (positive) or deeper (negative) this is than another.</summary>
    public double LighterThan(Level other) => Value - other.Value;

    /// <inheritdoc/>
    public override string ToString() => Value.ToString("0.#", CultureInfo.InvariantCulture);
}

/// <summary>Strength of developer in volumes, 0 to 40: litres of oxygen from one litre. Ten volumes are three percent of hydrogen peroxide (DV1).</summary>
public readonly record struct Volume : IQuantity<Volume>
{
    private Volume(double value) => Value = value;

    /// <inheritdoc/>
    public double Value { get; }

    /// <summary>Hydrogen peroxide in percent by weight, as the trade counts it (DV1).</summary>
    public double Percent => Math.Round(Value * 0.3, 2);

    /// <summary>Above 40 vol (12 %) nothing is made: Regulation (EC) 1223/2009, Annex III entry 12 (from memory; check your local code).</summary>
    public static Volume Of(double value) => new(RangeCheck.Check(value, 0, 40, nameof(Volume)));

    /// <inheritdoc/>
    public override string ToString() => Value.ToString("0.#", CultureInfo.InvariantCulture) + " vol";
}

internal static class RangeCheck
{
    public static double Check(double value, double min, double max, string what) =>
        value >= min && value <= max
            ? value
            : throw new ArgumentOutOfRangeException(what, value, FormattableString.Invariant($"{what} must be {min} to {max}."));
}
