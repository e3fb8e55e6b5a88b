using Kitto.Core.Colour;

namespace Kitto.Core.Picture;

/// <summary>The colour of a lock that lies across the place for it on the card.</summary>
internal static class LockColour
{
    /// <summary>How uncertain it is, CIELAB units along each axis (ours, from the study of drawn pictures).</summary>
    public const double Sd = 1.2;

    /// <summary>Side of a cell, mm.</summary>
    private const double Cell = 0.8;

    /// <summary>What reflects more than this share of the paper's light is paper (ours: the lightest hair reflects half of it).</summary>
    private const double Paper = 0.75;

    /// <summary>So much of the place has to be covered.</summary>
    private const double LeastCovered = 0.4;

    /// <summary>Between deep shadow and shine: the quantiles of light that are read (ours).</summary>
    private const double From = 0.1,
        To = 0.4;

    /// <summary>The colour; null where no lock lies there.</summary>
    public static Lab? Of(FlatPicture picture, CardLight light)
    {
        var place = MeasuringCard.Lock.Inner(1.5);
        var cells = new List<Rgb>();
        int all = 0;
        for (double y = place.Y; y + Cell <= place.Y + place.Height; y += Cell)
        {
            for (double x = place.X; x + Cell <= place.X + place.Width; x += Cell)
            {
                var cell = new Patch(x, y, Cell, Cell);
                var c = light.Undone(picture.Over(cell).Mean, light.At(cell.Middle));
                all++;
                if (c.Luminance < Paper * MeasuringCard.PaperLuminance)
                {
                    cells.Add(c);
                }
            }
        }

        if (cells.Count < LeastCovered * all)
        {
            return null;
        }

        var read = cells.OrderBy(c => c.Luminance).Skip((int)(From * cells.Count)).Take(Math.Max(1, (int)((To - From) * cells.Count))).ToList();
        return (read.Aggregate(default(Rgb), (sum, c) => sum + c) * (1.0 / read.Count)).Lab;
    }
}
