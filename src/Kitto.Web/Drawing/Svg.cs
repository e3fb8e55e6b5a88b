using System.Globalization;
using System.Net;
using System.Runtime.CompilerServices;
using System.Text;

namespace Kitto.Web.Drawing;

/// <summary>Writes SVG text; numbers invariant and in hundredths, texts escaped.</summary>
internal sealed class Svg
{
    private readonly StringBuilder text = new(4096);

    public Svg Add([InterpolatedStringHandlerArgument("")] Part part)
    {
        // The part has written itself.
        _ = part;
        return this;
    }

    /// <summary>What was written elsewhere.</summary>
    public Svg Add(Svg other)
    {
        text.Append(other.text);
        return this;
    }

    public override string ToString() => text.ToString();

    /// <summary>Writes as it is made: a drawing is drawn at every stroke, so nothing is boxed or put together twice.</summary>
    [InterpolatedStringHandler]
    internal readonly ref struct Part
    {
        private readonly StringBuilder text;

        public Part(int literal, int holes, Svg svg)
        {
            _ = literal + holes;
            text = svg.text;
        }

        public void AppendLiteral(string part) => text.Append(part);

        public void AppendFormatted(double number) => Number(text, number);

        public void AppendFormatted(string? words) => text.Append(WebUtility.HtmlEncode(words));

        public void AppendFormatted<T>(T value) => text.Append(CultureInfo.InvariantCulture, $"{value}");
    }

    /// <summary>Writes a number in hundredths, without needless noughts.</summary>
    public static StringBuilder Number(StringBuilder text, double number)
    {
        long hundredths = (long)Math.Round(number * 100);
        if (hundredths < 0)
        {
            text.Append('-');
            hundredths = -hundredths;
        }

        text.Append(hundredths / 100);
        long rest = hundredths % 100;
        if (rest > 0)
        {
            text.Append('.').Append((char)('0' + rest / 10));
            if (rest % 10 > 0)
            {
                text.Append((char)('0' + rest % 10));
            }
        }

        return text;
    }
}
