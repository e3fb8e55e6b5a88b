using Kitto.Core.Shade;

namespace Kitto.Core.Contract;

/// <summary>Finds the line a case is mixed from, and says what is wrong with it where it is used.</summary>
internal static class LineNeeded
{
    /// <summary>The line this case is mixed from; null with a complaint where there is none, or nothing can be mixed from it.</summary>
    public static Line? For(ObjectReader root, Goal goal, string? named, House house, Shelf shelf, bool stubborn)
    {
        string Usable() => string.Join(", ", shelf.Lines.Where(l => l.Mixable && !LineCheck.Of(l).Any()).Select(l => l.Id));
        if (shelf.For(goal, named, house, stubborn) is not { } line)
        {
            root.Fail(
                "line",
                "is not said, and the shelf has none for this service",
                Usable() is { Length: > 0 } usable ? usable : "a line with a shade in stock"
            );
            return null;
        }

        if (LineCheck.Of(line).FirstOrDefault() is { } wrong)
        {
            root.Fail("line", $"{line.Id} cannot be used: its {wrong.Path} {wrong.Says}", wrong.Range);
            return null;
        }

        if (!line.Mixable)
        {
            root.Fail("line", $"{line.Id} has no shade in stock to mix from", $"a line with one in stock: {Usable()}");
            return null;
        }

        return line;
    }
}
