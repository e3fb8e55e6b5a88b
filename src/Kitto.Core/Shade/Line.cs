using Kitto.Core.Trade;

namespace Kitto.Core.Shade;

/// <summary>Families of shades (SH4).</summary>
public enum Family
{
    /// <summary>Neutral.</summary>
    N,

    /// <summary>Neutral, extra cover.</summary>
    NN,

    /// <summary>Ash on a green base.</summary>
    AG,

    /// <summary>Ash on a blue base.</summary>
    AB,

    /// <summary>Violet.</summary>
    V,

    /// <summary>Gold.</summary>
    G,

    /// <summary>Copper.</summary>
    C,

    /// <summary>Red.</summary>
    R,

    /// <summary>Beige.</summary>
    B,
}

/// <summary>A tone: one family, or a pair of which each takes half.</summary>
/// <param name="First">The family.</param>
/// <param name="Second">The second of a pair.</param>
public readonly record struct Tone(Family First, Family? Second = null)
{
    /// <summary>Neutral.</summary>
    public static Tone Neutral => new(Family.N);

    /// <summary>Whether it holds no tone at all.</summary>
    public bool IsNeutral => Families.All(f => f is Family.N or Family.NN);

    /// <summary>The one or two families.</summary>
    public IReadOnlyList<Family> Families => Second is { } second ? [First, second] : [First];

    /// <summary>Whether two tones are of the same family; the order of a pair and extra cover do not matter.</summary>
    public bool SameAs(Tone other) => Key(this).SequenceEqual(Key(other));

    /// <summary>Reads "N", "AB", or a pair such as "GC" or "G/C"; false when it is neither.</summary>
    public static bool TryParse(string text, out Tone tone)
    {
        tone = Neutral;
        var families = new List<Family>();
        string rest = text.Replace("/", "", StringComparison.Ordinal).Replace("+", "", StringComparison.Ordinal).Replace(" ", "", StringComparison.Ordinal);
        while (rest.Length > 0)
        {
            int length = rest.Length >= 2 && Enum.TryParse(rest[..2], out Family two) && Enum.IsDefined(two) && !char.IsDigit(rest[0]) ? 2 : 1;
            if (char.IsDigit(rest[0]) || !Enum.TryParse(rest[..length], out Family family) || !Enum.IsDefined(family))
            {
                return false;
            }

            families.Add(family);
            rest = rest[length..];
        }

        if (families.Count is 0 or > 2)
        {
            return false;
        }

        tone = new Tone(families[0], families.Count == 2 && families[1] != families[0] ? families[1] : null);
        return true;
    }

    /// <inheritdoc/>
    public override string ToString() => First.ToString() + Second;

    private static IEnumerable<Family> Key(Tone tone) => tone.Families.Select(f => f == Family.NN ? Family.N : f).Distinct().Order();
}

/// <summary>What a line is.</summary>
public enum LineKind
{
    /// <summary>Permanent colour.</summary>
    Permanent,

    /// <summary>Permanent high-lift colour.</summary>
    HighLift,

    /// <summary>Demi-permanent colour: deposits, does not lift.</summary>
    Demi,

    /// <summary>Acidic gloss.</summary>
    Gloss,

    /// <summary>Lightener: salon only (SA8).</summary>
    Lightener,
}

/// <summary>How thick the mix is; thinner holds less on the hair (quantity 2).</summary>
public enum Thickness
{
    /// <summary>Cream.</summary>
    Cream,

    /// <summary>Gel.</summary>
    Gel,

    /// <summary>Liquid.</summary>
    Liquid,
}

/// <summary>One shade of a line.</summary>
/// <param name="Code">As printed, such as 5N, 0R, 00 or LT.</param>
/// <param name="Level">Level; 0 for concentrates, clear and lightener.</param>
/// <param name="Family">Family; null for clear and lightener.</param>
public sealed record ShadeOf(string Code, int Level, Family? Family)
{
    /// <summary>Code of the one part of a lightener.</summary>
    public const string Lightener = "LT";

    /// <summary>Code of clear.</summary>
    public const string Clear = "00";

    /// <summary>A concentrate has a tone and no depth.</summary>
    public bool Concentrate => Level == 0 && Family is not null;

    /// <summary>Reads a shade code: a level and a family, a concentrate (0R 0G 0B 0V), clear (00) or lightener (LT).</summary>
    /// <returns>Null when it is none of these.</returns>
    public static ShadeOf? Parse(string code)
    {
        switch (code)
        {
            case "00" or Lightener:
                return new ShadeOf(code, 0, null);
            case "0R":
                return new ShadeOf(code, 0, Shade.Family.R);
            case "0G":
                return new ShadeOf(code, 0, Shade.Family.AG);
            case "0B":
                return new ShadeOf(code, 0, Shade.Family.AB);
            case "0V":
                return new ShadeOf(code, 0, Shade.Family.V);
        }

        int digits = code.TakeWhile(char.IsAsciiDigit).Count();
        return
            digits is 1 or 2
            && int.TryParse(code[..digits], out int level)
            && level is >= 1 and <= 12
            && code.Length > digits
            && code[digits..].All(char.IsAsciiLetterUpper)
            && Enum.TryParse(code[digits..], out Family family)
            ? new ShadeOf(code, level, family)
            : null;
    }
}

/// <summary>A strength of developer that the line stocks.</summary>
/// <param name="Volume">Strength.</param>
/// <param name="ChairOnly">Kept for the chair, never for a kit.</param>
public sealed record Stocked(Volume Volume, bool ChairOnly);

/// <summary>A line of colour with the rules of its leaflet.</summary>
/// <param name="Id">Id in the catalogue.</param>
/// <param name="Name">Name.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Thickness">How thick its mix is.</param>
/// <param name="DeveloperPerColour">Grams of developer to one gram of colour (DV9).</param>
/// <param name="LengthsDeveloperPerColour">The same for the lengths, where the line has another.</param>
/// <param name="Developers">Stocked strengths.</param>
/// <param name="Process">Standard time after the last stroke.</param>
/// <param name="ProcessMin">Shortest time.</param>
/// <param name="ProcessMax">Longest time.</param>
/// <param name="WorkingLife">How long a mix works in the bowl.</param>
/// <param name="LongestContact">Longest time anywhere on the head (TM8).</param>
/// <param name="Tube">Grams in one tube.</param>
/// <param name="Shades">Its shades.</param>
/// <param name="Out">Codes that are out of stock: no mix is searched among them.</param>
public sealed record Line(
    string Id,
    string Name,
    LineKind Kind,
    Thickness Thickness,
    double DeveloperPerColour,
    double? LengthsDeveloperPerColour,
    IReadOnlyList<Stocked> Developers,
    Minutes Process,
    Minutes ProcessMin,
    Minutes ProcessMax,
    Minutes WorkingLife,
    Minutes LongestContact,
    Grams Tube,
    IReadOnlyList<ShadeOf> Shades,
    IReadOnlyList<string> Out
)
{
    /// <summary>Months for which the line's leaflet lets a clear skin test count while nothing has changed, 0 to 6; 0: a new one for every kit (SA5).</summary>
    public int SkinTestMonths { get; init; }

    /// <summary>The shades that are on the shelf.</summary>
    public IReadOnlyList<ShadeOf> InStock => Out.Count == 0 ? Shades : [.. Shades.Where(s => !Out.Contains(s.Code))];

    /// <summary>Whether something can be mixed of what is in stock: a shade with depth, or lightener. Concentrates and clear alone are no colour.</summary>
    public bool Mixable => InStock.Any(s => s.Level > 0 || (Kind == LineKind.Lightener && s.Code == ShadeOf.Lightener));

    /// <summary>Whether it is a permanent colour, high-lift included.</summary>
    public bool IsPermanent => Kind is LineKind.Permanent or LineKind.HighLift;

    /// <summary>The shade of that code, if the line has it.</summary>
    public ShadeOf? Find(string code) => Shades.FirstOrDefault(s => s.Code == code);

    /// <summary>The shade of a family at a level, if the line has it.</summary>
    public ShadeOf? Find(Family family, int level) => Shades.FirstOrDefault(s => s.Family == family && s.Level == level);
}

/// <summary>A part of a mix: a shade and its share of the colour.</summary>
/// <param name="Shade">The shade.</param>
/// <param name="Share">Its share; the parts add up to one.</param>
public sealed record MixPart(string Shade, Share Share)
{
    /// <summary>A mix in one line: "70 % 7N + 30 % 7NN".</summary>
    public static string Written(IReadOnlyList<MixPart> parts) => string.Join(" + ", parts.Select(p => parts.Count == 1 ? p.Shade : $"{p.Share} {p.Shade}"));
}

/// <summary>The lines a salon has.</summary>
/// <param name="Lines">The lines, at least one.</param>
public sealed record Shelf(IReadOnlyList<Line> Lines)
{
    /// <summary>The line of that id, if there is one.</summary>
    public Line? Find(string id) => Lines.FirstOrDefault(l => l.Id == id);

    /// <summary>The line that is used: the named one, else the house's of the kind the service takes, else the first on the shelf of that kind that can be mixed from. Lightener is used for lightening whatever was named.</summary>
    /// <param name="goal">The goal.</param>
    /// <param name="named">Id of a line that was named; null: none.</param>
    /// <param name="house">The house, whose schools choose between kinds and whose lines between lines of a kind.</param>
    /// <param name="stubborn">Whether the white is half and more, or stubborn: then the thicker line goes first (SH23).</param>
    /// <returns>Null where the shelf has none. A line that cannot be mixed from is returned where it was named, is the house's, or is all there is of its kind: what is out of stock is said, not replaced by another kind of colour.</returns>
    public Line? For(Goal goal, string? named, House house, bool stubborn = false)
    {
        if (goal.Service != Service.Lighten && named is not null)
        {
            return Find(named);
        }

        var of = Kinds(goal.Service, house).Select(kind => Lines.Where(l => l.Kind == kind).ToList()).FirstOrDefault(lines => lines.Count > 0) ?? [];
        return stubborn && of.Any(l => l.Mixable)
            ? of.Where(l => l.Mixable).OrderBy(l => l.Thickness).ThenBy(l => !house.Takes(l)).First()
            : of.FirstOrDefault(house.Takes) ?? of.FirstOrDefault(l => l.Mixable) ?? of.FirstOrDefault();
    }

    /// <summary>Kinds of line a service takes, the first before the others.</summary>
    private static LineKind[] Kinds(Service service, House house) =>
        service switch
        {
            Service.Lighten => [LineKind.Lightener],
            Service.GreyBlend => [LineKind.Demi],
            Service.RootShadow when house.Way<ShadowColour>() != ShadowColour.Permanent => [LineKind.Demi, LineKind.Permanent],
            Service.Gloss when house.Way<Toning>() != Toning.PermanentLow => [LineKind.Gloss, LineKind.Demi],
            Service.BaseLift => [LineKind.HighLift, LineKind.Permanent],
            // A soft wish, where the house blends and no line is named (SV7).
            Service.RootTouchUp or Service.RootAndRefresh or Service.RootAndGloss when house.Way<WhiteHair>() == WhiteHair.Blend =>
            [
                LineKind.Demi,
                LineKind.Permanent,
            ],
            Service.RootTouchUp or Service.RootAndRefresh or Service.RootAndGloss or Service.RootShadow or Service.Gloss => [LineKind.Permanent, LineKind.Demi],
            _ => throw new ArgumentOutOfRangeException(nameof(service)),
        };

    /// <summary>The line of a formula of its own for the lengths: the house's gloss, else any that can be mixed from, else the roots' own.</summary>
    /// <param name="service">The service; a gloss is its line's own.</param>
    /// <param name="roots">The line of the roots.</param>
    /// <param name="house">The house.</param>
    public Line ForLengths(Service service, Line roots, House house) => service == Service.Gloss ? roots : Ready(LineKind.Gloss, house) ?? roots;

    /// <summary>A line of a kind that can be mixed from: the house's, else the first on the shelf; null where there is none.</summary>
    public Line? Ready(LineKind kind, House house)
    {
        var of = Lines.Where(l => l.Mixable && l.Kind == kind).ToList();
        return of.FirstOrDefault(house.Takes) ?? of.FirstOrDefault();
    }
}
