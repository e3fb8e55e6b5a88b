using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace Kitto.Web.Delivery;

/// <summary>Tables as CSV. What a person typed never becomes a formula in the program that opens it.</summary>
public static class Csv
{
    /// <summary>A table of rows under its heading.</summary>
    /// <param name="heading">Names of the columns.</param>
    /// <param name="rows">Cells, row by row; numbers and days as every program reads them.</param>
    public static byte[] Write(IReadOnlyList<string> heading, IEnumerable<IReadOnlyList<object?>> rows)
    {
        using var text = new StringWriter();
        using (
            var csv = new CsvWriter(
                text,
                new CsvConfiguration(CultureInfo.InvariantCulture) { InjectionOptions = InjectionOptions.Escape, InjectionEscapeCharacter = '\'' }
            )
        )
        {
            foreach (string name in heading)
            {
                csv.WriteField(name);
            }

            csv.NextRecord();
            foreach (var row in rows)
            {
                foreach (object? cell in row)
                {
                    csv.WriteField(
                        cell switch
                        {
                            null => "",
                            DateOnly day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                            DateTime moment => moment.ToString("yyyy-MM-ddTHH:mm:ssZ", CultureInfo.InvariantCulture),
                            // A number below nothing begins with a minus and is no formula.
                            IFormattable number => number.ToString(null, CultureInfo.InvariantCulture),
                            string words => words,
                            _ => cell.ToString() ?? "",
                        }
                    );
                }

                csv.NextRecord();
            }
        }

        return System.Text.Encoding.UTF8.GetBytes(text.ToString());
    }
}
