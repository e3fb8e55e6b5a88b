using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace Kitto.Web.Identity;

/// <summary>Leaves out what the one who looks may not do: forms and buttons by their handler on this page, links by the page they are said to lead to.</summary>
[HtmlTargetElement("form", Attributes = "asp-page-handler")]
[HtmlTargetElement("button", Attributes = "formaction")]
[HtmlTargetElement("button", Attributes = "asp-page-handler")]
[HtmlTargetElement("*", Attributes = "may")]
public sealed class MayTagHelper : TagHelper
{
    [HtmlAttributeNotBound, ViewContext]
    public ViewContext ViewContext { get; set; } = null!;

    /// <summary>The page a link leads to, as the framework names it; or of this page a handler, "#Sign"; "#" is the plain one.</summary>
    public string? May { get; set; }

    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        string here = (ViewContext.ActionDescriptor as PageActionDescriptor)?.ViewEnginePath ?? "";
        var user = ViewContext.HttpContext.User;
        string? handler =
            context.AllAttributes["asp-page-handler"]?.Value?.ToString()
            ?? (
                context.AllAttributes["formaction"]?.Value?.ToString() is { } action && action.StartsWith("?handler=", StringComparison.Ordinal)
                    ? action[9..]
                    : null
            );
        bool may =
            May is ['#', .. var does] ? user.May(here, writes: true, does.Length == 0 ? null : does)
            : May is not null ? user.May(May)
            : handler is null || Rights.Open.Contains(here) || user.May(here, writes: true, handler);
        if (may)
        {
            return;
        }

        // A form that also shows something stays as a piece of the page; its buttons go by themselves.
        if (context.AllAttributes.ContainsName("data-shows"))
        {
            output.TagName = "div";
            output.PostContent.Clear();
        }
        else
        {
            output.SuppressOutput();
        }
    }
}
