using System.Globalization;
using System.Net;
using System.Text;

namespace Kitto.Web.Drawing;

/// <summary>Writes SVG text; numbers invariant, texts escaped.</summary>
internal sealed class Svg
{
    private readonly StringBuilder text = new();

    public Svg Add(FormattableString part)
    {
        object?[] safe = [.. part.GetArguments().Select(a => a switch
        {
            double d => Math.Round(d, 2).ToString(CultureInfo.InvariantCulture),
            string s => WebUtility.HtmlEncode(s),
            Raw r => r.Text,
            _ => a,
        })];
        text.AppendFormat(CultureInfo.InvariantCulture, part.Format, safe);
        return this;
    }

    public override string ToString() => text.ToString();
}

/// <summary>Text that is SVG already.</summary>
internal sealed record Raw(string Text);
