namespace Kitto.Core.Picture;

/// <summary>A point of a plane: on the card in millimetres, in a picture in pixels.</summary>
/// <param name="X">To the right.</param>
/// <param name="Y">Down.</param>
public readonly record struct Point(double X, double Y);

/// <summary>An upright rectangle on the card, millimetres.</summary>
public readonly record struct Patch(double X, double Y, double Width, double Height)
{
    /// <summary>Its middle.</summary>
    public Point Middle => new(X + Width / 2, Y + Height / 2);

    /// <summary>The same, smaller by so much on every side.</summary>
    public Patch Inner(double by) => new(X + by, Y + by, Width - 2 * by, Height - 2 * by);
}

/// <summary>
/// The card that a picture is measured against (ours): a frame. Its window is cut out and laid over the hair, the parting just inside its upper edge, so that the hair lies
/// in the plane of the card. Millimetres; the origin is the left end of the upper edge.
/// </summary>
public static class MeasuringCard
{
    /// <summary>Its size, mm.</summary>
    public const double Width = 92,
        Height = 130;

    /// <summary>Side of a marker, mm.</summary>
    public const double Marker = 14;

    /// <summary>Cells along a marker's side, its black border included.</summary>
    public const int Cells = 6;

    /// <summary>Upper left corners of the markers 0 to 3, clockwise.</summary>
    public static IReadOnlyList<Point> Markers { get; } = [new(3, 4), new(75, 4), new(75, 98), new(3, 98)];

    /// <summary>Inner cells of the markers 0 to 3, row by row, 1 is white: the first four of the open dictionary of 4 x 4 cells with 50 markers that OpenCV ships (checked against it).</summary>
    public static IReadOnlyList<string> MarkerCells { get; } = ["1011010100110010", "0000111110011010", "0011001100101101", "1001100101000110"];

    /// <summary>The window. It is printed in a tint that no hair has, so that a picture tells whether it was cut out.</summary>
    public static Patch Window { get; } = new(21, 5, 50, 90);

    /// <summary>What is read of the window: without what lies beside its long edges, where they throw a shadow.</summary>
    public static Patch Inside { get; } = new(24, 5, 44, 90);

    /// <summary>Strips of it that are read each for itself, from left to right.</summary>
    public const int Strips = 12;

    /// <summary>The window's tint on a screen.</summary>
    public const string WindowTint = "#2f9a94";

    /// <summary>Where a lock is laid.</summary>
    public static Patch Lock { get; } = new(21, 99, 50, 13);

    /// <summary>The rule along the window, mm.</summary>
    public static Patch Rule { get; } = new(71.4, 5, 3, 90);

    /// <summary>Lightness of the grey patches, L*, from above on the left and from below on the right.</summary>
    public static IReadOnlyList<double> Greys { get; } = [22, 36, 50, 64, 78];

    /// <summary>Luminance of plain paper, beside a perfect reflector (common practice: white office paper, 0.84 to 0.9).</summary>
    public const double PaperLuminance = 0.86;

    private const double Left = 5,
        Right = 77,
        First = 24,
        Step = 13.6,
        Side = 10;

    /// <summary>The grey patches with their lightness.</summary>
    public static IReadOnlyList<(Patch Where, double Lightness)> GreyPatches { get; } =
    [
        .. Greys.Select((l, i) => (new Patch(Left, First + i * Step, Side, Side), l)),
        .. Greys.Select((l, i) => (new Patch(Right, First + (Greys.Count - 1 - i) * Step, Side, Side), l)),
    ];

    /// <summary>Plain paper between the patches, five places on each side.</summary>
    public static IReadOnlyList<Patch> Paper { get; } =
    [
        .. Enumerable.Range(0, Greys.Count).Select(i => new Patch(Left, First + Side + i * Step, Side, Step - Side)),
        .. Enumerable.Range(0, Greys.Count).Select(i => new Patch(Right, First + Side + i * Step, Side, Step - Side)),
    ];

    /// <summary>Corners of a marker, clockwise from its upper left.</summary>
    /// <param name="id">0 to 3.</param>
    /// <exception cref="ArgumentOutOfRangeException">There is no such marker.</exception>
    public static IReadOnlyList<Point> Corners(int id)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(id);
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(id, Markers.Count);
        var at = Markers[id];
        return [at, new(at.X + Marker, at.Y), new(at.X + Marker, at.Y + Marker), new(at.X, at.Y + Marker)];
    }
}
