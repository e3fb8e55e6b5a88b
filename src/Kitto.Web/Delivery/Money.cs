using System.Globalization;

namespace Kitto.Web.Delivery;

/// <summary>Sums of money: to the cent, never as a floating number.</summary>
public static class Money
{
    /// <summary>Most that is taken.</summary>
    public const decimal Most = 100_000;

    /// <summary>What may be typed.</summary>
    public static readonly string Range = string.Create(CultureInfo.InvariantCulture, $"A sum from 0 to {Most:0}, at most two decimals, such as 7.20 or 7,20.");

    /// <summary>Reads a sum as people type it: a comma is a decimal point too; a separator of thousands is not guessed at.</summary>
    public static bool TryRead(string? text, out decimal sum) =>
        decimal.TryParse((text ?? "").Trim().Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out sum)
        && sum is >= 0 and <= Most
        && decimal.Round(sum, 2) == sum;

    /// <summary>A sum to the cent.</summary>
    public static string Show(decimal sum) => sum.ToString("#,0.00", CultureInfo.InvariantCulture).Replace(',', ' ');
}
