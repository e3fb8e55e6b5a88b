using System.Net;
using Kitto.Core.Colour;
using Kitto.Core.Shade;

namespace Kitto.Web.Drawing;

/// <summary>A shade on the shelf: its colour on the mat, and whether it is in stock.</summary>
public static class ShadeTick
{
    /// <summary>A box to tick beside the colour.</summary>
    public static string Draw(Line line, ShadeOf shade)
    {
        string code = WebUtility.HtmlEncode(shade.Code);
        var svg = new Svg();
        if (shade.Family is not null)
        {
            svg.Add(
                $"<svg viewBox=\"0 0 44 22\" aria-hidden=\"true\"><rect class=\"mat\" width=\"44\" height=\"22\"/><rect x=\"4\" y=\"4\" width=\"36\" height=\"14\" fill=\"{Srgb.Hex(Swatch.Of(shade))}\"/></svg>"
            );
        }

        return $"<label class=\"shade\"><input type=\"checkbox\" name=\"have\" value=\"{code}\"{(line.Out.Contains(shade.Code) ? "" : " checked")}>{svg}<span>{code}{(shade.Code switch { "00" => " clear", "LT" => " lightener", _ => "" })}</span></label>";
    }
}
