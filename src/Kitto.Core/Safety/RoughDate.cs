using System.Globalization;

namespace Kitto.Core.Safety;

/// <summary>A date as well as someone remembers it: a year, a month of it, or the day.</summary>
/// <param name="Year">1900 to 2200.</param>
/// <param name="Month">1 to 12; null where not known.</param>
/// <param name="Day">Day of the month; null where not known.</param>
public readonly record struct RoughDate(int Year, int? Month, int? Day)
{
    private static readonly string[] Forms = ["yyyy-MM-dd", "yyyy-MM", "yyyy"];

    /// <summary>The last day it can have been.</summary>
    public DateOnly Latest => Month is not { } month ? new DateOnly(Year, 12, 31) : new DateOnly(Year, month, Day ?? DateTime.DaysInMonth(Year, month));

    /// <summary>The first day it can have been.</summary>
    public DateOnly Earliest => new(Year, Month ?? 1, Day ?? 1);

    /// <summary>Fewest days since, seen from a day; a date that may lie ahead counts as that day.</summary>
    public int FewestDays(DateOnly today) => Math.Max(0, today.DayNumber - Latest.DayNumber);

    /// <summary>Reads 2024, 2024-06 or 2024-06-12.</summary>
    /// <returns>False when it is none of these, or no date of the calendar, or outside 1900 to 2200.</returns>
    public static bool TryParse(string? text, out RoughDate date)
    {
        date = default;
        for (int i = 0; i < Forms.Length; i++)
        {
            if (
                DateOnly.TryParseExact((text ?? "").Trim(), Forms[i], CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
                && day.Year is >= 1900 and <= 2200
            )
            {
                date = new RoughDate(day.Year, i < 2 ? day.Month : null, i < 1 ? day.Day : null);
                return true;
            }
        }

        return false;
    }

    /// <summary>As it is written in documents.</summary>
    public override string ToString() =>
        Earliest.ToString(
            Day is not null ? Forms[0]
                : Month is not null ? Forms[1]
                : Forms[2],
            CultureInfo.InvariantCulture
        );
}
