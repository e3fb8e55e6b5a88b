using Kitto.Core.Contract;

namespace Kitto.Core.Shade;

/// <summary>
/// Checks a line as a whole, as its leaflet would be read before anything is mixed from it: what each field may be is the reader's,
/// what they must be together is told here. Asked when a line is kept and again when it is used.
/// </summary>
public static class LineCheck
{
    /// <summary>Longest id, characters.</summary>
    public const int LongestId = 40;

    /// <summary>Longest name, characters.</summary>
    public const int LongestName = 80;

    /// <summary>What is wrong with it; nothing where it may stand on a shelf.</summary>
    public static IEnumerable<FieldError> Of(Line line)
    {
        if (line.Id.Length is 0 or > LongestId || !line.Id.All(c => char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c) || c == '-') || line.Id[0] == '-')
        {
            yield return new FieldError("id", $"is \"{line.Id}\"", $"1 to {LongestId} small letters, digits and hyphens, such as harbour-cream");
        }

        if (line.Name.Trim().Length is 0 or > LongestName)
        {
            yield return new FieldError("name", "is missing or too long", $"1 to {LongestName} characters");
        }

        foreach (var wrong in Strengths(line).Concat(Times(line)).Concat(Shades(line)))
        {
            yield return wrong;
        }
    }

    private static IEnumerable<FieldError> Strengths(Line line)
    {
        if (line.Developers.Count == 0)
        {
            yield return new FieldError("developers", "are missing: a line needs one", "at least one strength, 1 to 40 vol");
        }

        foreach (var twice in line.Developers.GroupBy(d => d.Volume).Where(g => g.Count() > 1))
        {
            yield return new FieldError("developers", $"name {twice.Key} twice", "each strength once");
        }
    }

    private static IEnumerable<FieldError> Times(Line line)
    {
        if (line.ProcessMin.Value > line.ProcessMax.Value)
        {
            yield return new FieldError("processMin", $"is {line.ProcessMin}, above processMax {line.ProcessMax}", $"0 to {line.ProcessMax.Value:0.#}");
        }

        if (line.Process.Value < line.ProcessMin.Value || line.Process.Value > line.ProcessMax.Value || line.Process.Value < 1)
        {
            yield return new FieldError(
                "processMinutes",
                $"is {line.Process}, outside the line's own shortest and longest time",
                $"{Math.Max(1, line.ProcessMin.Value):0.#} to {line.ProcessMax.Value:0.#}"
            );
        }

        if (line.LongestContact.Value < line.ProcessMax.Value)
        {
            yield return new FieldError(
                "longestContactMinutes",
                $"is {line.LongestContact}, shorter than processMax {line.ProcessMax}",
                $"{line.ProcessMax.Value:0.#} to 120"
            );
        }

        if (line.WorkingLife.Value < ShortestLife)
        {
            yield return new FieldError("workingLifeMinutes", $"is {line.WorkingLife}; nobody paints a head with that", $"{ShortestLife:0} to 120");
        }
    }

    /// <summary>A mix must live so long for a batch of it to be painted, minutes (ours).</summary>
    private const double ShortestLife = 10;

    private static IEnumerable<FieldError> Shades(Line line)
    {
        bool lightener = line.Kind == LineKind.Lightener;
        if (line.Shades.Any(s => (s.Code == ShadeOf.Lightener) != lightener))
        {
            yield return new FieldError(
                "shades",
                lightener
                    ? "hold a colour, but this is a lightener"
                    : $"hold {ShadeOf.Lightener}, but this is no lightener; the rules of safety go by the kind",
                lightener ? ShadeOf.Lightener : "codes of colours, such as 6N"
            );
        }
        else if (!line.Shades.Any(s => lightener || s.Level > 0))
        {
            yield return new FieldError("shades", "hold nothing with depth", "at least one shade with a level, such as 6N");
        }

        foreach (string twice in line.Shades.GroupBy(s => s.Code).Where(g => g.Count() > 1).Select(g => g.Key))
        {
            yield return new FieldError("shades", $"name {twice} twice", "each once");
        }
    }
}
