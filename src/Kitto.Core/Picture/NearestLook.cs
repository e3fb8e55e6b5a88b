using Kitto.Core.Colour;
using Kitto.Core.Shade;

namespace Kitto.Core.Picture;

/// <summary>What coloured lengths look like, by name: the nearest level and family of the engine's own looks, and the others that cannot be told from it.</summary>
/// <param name="Level">Level, 1 to 10, by halves.</param>
/// <param name="Family">Family of the tone.</param>
/// <param name="Miss">dE00 from what was seen.</param>
/// <param name="Low">Lowest level that looks as near.</param>
/// <param name="High">Highest.</param>
/// <param name="Or">Families that look as near, the nearest first, this one left out.</param>
public sealed record NearestLook(double Level, Family Family, double Miss, double Low, double High, IReadOnlyList<Family> Or)
{
    /// <summary>Looks as near as the nearest and so many standard deviations: levels so that four of five lie within, families so that hardly one is left out (ours, from the study).</summary>
    private const double NearLevel = 0.8,
        NearFamily = 2;

    /// <summary>A neutral with extra cover looks like the plain one: it is not told.</summary>
    private static readonly (double Level, Family Family, Lab Look)[] Looks =
    [
        .. from half in Enumerable.Range(2, 19)
        from family in Enum.GetValues<Family>().Where(f => f != Family.NN)
        select (half / 2.0, family, Dye.Look(half / 2.0, new Tone(family)).Lab),
    ];

    /// <summary>The nearest look.</summary>
    /// <param name="seen">The colour.</param>
    /// <param name="sd">How uncertain it is, CIELAB units along each axis.</param>
    public static NearestLook Of(Lab seen, double sd)
    {
        var by = Looks.Select(l => (l.Level, l.Family, Miss: Difference2000.Between(seen, l.Look))).OrderBy(l => l.Miss).ToList();
        var best = by[0];
        IEnumerable<(double Level, Family Family, double Miss)> Within(double times) => by.TakeWhile(l => l.Miss <= best.Miss + times * sd);
        return new NearestLook(
            best.Level,
            best.Family,
            best.Miss,
            Within(NearLevel).Min(l => l.Level),
            Within(NearLevel).Max(l => l.Level),
            [.. Within(NearFamily).Select(l => l.Family).Where(f => f != best.Family).Distinct()]
        );
    }
}
