using Kitto.Core.Head;
using Kitto.Core.Quantity;
using Kitto.Core.Shade;
using Kitto.Core.Trade;

namespace Kitto.Core.Clock;

/// <summary>How long the painting takes. Factors are common practice or ours (clock, tables).</summary>
public static class Painting
{
    /// <summary>How much slower these hands are than trained ones.</summary>
    public static double Slowness(Who who, bool practised) =>
        (who, practised) switch
        {
            (Who.Trained, _) => 1,
            (Who.Helper, true) => 1.2,
            (Who.Helper, false) => 1.5,
            (Who.Alone, true) => 2.0,
            (Who.Alone, false) => 2.5,
            _ => throw new ArgumentOutOfRangeException(nameof(who)),
        };

    /// <summary>Minutes for the whole head, before each zone takes its share.</summary>
    public static double WholeHead(Hands hands, Density density, Service service, PaintOrder order)
    {
        double dense = density switch
        {
            Density.Low => 0.85,
            Density.Medium => 1,
            Density.High => 1.25,
            _ => throw new ArgumentOutOfRangeException(nameof(density)),
        };
        // Wider partings go faster: 25 mm slices for gloss, 12 mm for lift (AP10; tables).
        double partings = service switch
        {
            Service.Gloss => 0.6,
            Service.BaseLift or Service.Lighten => 0.9,
            Service.RootTouchUp or Service.RootAndRefresh or Service.RootAndGloss or Service.RootShadow or Service.GreyBlend => 1,
            _ => throw new ArgumentOutOfRangeException(nameof(service)),
        };
        return Values.TrainedMinutes * Slowness(hands.Who, hands.Practised) * dense * partings * (order == PaintOrder.OutlineFirst ? Values.OutlineFactor : 1);
    }
}

/// <summary>How long the colour may be on a zone.</summary>
/// <param name="From">At least.</param>
/// <param name="To">At most, inclusive.</param>
public readonly record struct ContactWindow(Minutes From, Minutes To)
{
    /// <summary>The window of one zone: the line's; grey of 50 % or resistant raises its lower end to the standard time (tables).</summary>
    public static ContactWindow Of(Zone zone, ZoneReading read, Line line, Service service)
    {
        bool stubborn = read.Grey.Value >= .5 || read.Resistant;
        bool tender = zone == Zone.FrontHairline && service is (Service.BaseLift or Service.Lighten);
        return new ContactWindow(
            stubborn ? line.Process : line.ProcessMin,
            tender ? Minutes.Of(Math.Min(line.LongestContact.Value, line.Process.Value + Values.HairlineLiftMinutes)) : line.LongestContact
        );
    }

    /// <summary>The window of a scalp stretch that is painted after the rest: in a lift its upper end is the line's standard time, because it is warm (TM6).</summary>
    public static ContactWindow OfScalp(ZoneReading read, Line line, Service service) =>
        new(
            read.Grey.Value >= .5 || read.Resistant ? line.Process : line.ProcessMin,
            service is Service.BaseLift or Service.Lighten ? line.Process : line.LongestContact
        );

    /// <summary>Minutes by which a contact falls short of the window (negative) or overruns it (positive), compared to a tenth.</summary>
    public double Miss(Minutes contact)
    {
        double t = contact.Tenths().Value;
        return t < From.Value ? t - From.Value
            : t > To.Value ? t - To.Value
            : 0;
    }
}
