using System.Globalization;
using Kitto.Core.Contract;

namespace Kitto.Web.Sittings;

/// <summary>Reads a number as people type it: a comma is a decimal point too.</summary>
public static class TypedNumber
{
    /// <summary>The number; null where the text is none.</summary>
    public static double? Read(string? text) =>
        double.TryParse((text ?? "").Trim().Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out double number) && double.IsFinite(number)
            ? number
            : null;

    /// <summary>The number; null where the text is none or the number is outside the range.</summary>
    public static double? Read(string? text, double min, double max) => Read(text) is { } number && number >= min && number <= max ? number : null;

    /// <summary>The number; null where the text is none or the number is not what the field may be.</summary>
    public static double? Read(string? text, NumberField field) => Read(text, field.Least, field.Most);
}
