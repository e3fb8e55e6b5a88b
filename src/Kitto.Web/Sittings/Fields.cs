using System.Net;
using System.Text;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Microsoft.AspNetCore.Html;

namespace Kitto.Web.Sittings;

/// <summary>Writes the fields of a reading: the value as typed, and the complaint beside it.</summary>
public sealed class Fields(FormValues values, IReadOnlyList<FieldError> errors)
{
    /// <summary>A number of the case, with its own unit unless another is said.</summary>
    public IHtmlContent Number(NumberField field, string label, string? unit = null, bool step = false, Zone? zone = null) =>
        Number(At(field, zone), label, unit ?? field.Unit, step);

    /// <summary>A day of the case.</summary>
    public IHtmlContent Date(DateField field, string label) => Typed(field, label, "class=\"date\" type=\"date\"");

    /// <summary>Words of the case.</summary>
    public IHtmlContent Text(ListField field, string label, string hint) =>
        Typed(field, label, $"class=\"words\" autocomplete=\"off\" placeholder=\"{Safe(hint)}\"");

    /// <summary>A choice of the case, in the words given.</summary>
    public IHtmlContent Choice(CaseField field, string label, IEnumerable<(string Name, string Says)> options, string? none = null) =>
        Choice(field.Path, label, options, none);

    /// <summary>A choice of the case among all its names.</summary>
    public IHtmlContent Choice<T>(ChoiceField<T> field, string label, string? none = null, Zone? zone = null)
        where T : struct, Enum => Choice(At(field, zone), label, Enum.GetValues<T>().Select(v => (Json.Name(v), Words.Of(Json.Name(v)))), none);

    /// <summary>A box of the case to tick. <paramref name="unless"/>: an unticked box must say no, not nothing.</summary>
    public IHtmlContent Tick(FlagField field, string label, bool unless = false, Zone? zone = null) => Tick(At(field, zone), label, unless);

    private static string At(CaseField field, Zone? zone) => zone is { } one ? CaseDocument.In(one, field) : field.Path;

    /// <summary>A number, typed as text so that whatever was typed comes back.</summary>
    public IHtmlContent Number(string path, string label, string unit = "", bool step = false)
    {
        string id = Id(path);
        string buttons = step ? $"<button type=\"button\" class=\"step\" data-step=\"-1\" data-for=\"{id}\" aria-label=\"less {label}\">−</button>" : "";
        string more = step ? $"<button type=\"button\" class=\"step\" data-step=\"1\" data-for=\"{id}\" aria-label=\"more {label}\">+</button>" : "";
        string range = CaseFields.Typed.GetValueOrDefault(path) is NumberField field
            ? $" data-most=\"{field.Most}\"{(field.Unit == "%" ? " data-size=\"5\"" : "")}"
            : "";
        return Html(
            $"<label class=\"fact\" for=\"{id}\">{label}</label>{buttons}<input{range} class=\"num\" id=\"{id}\" name=\"{path}\" inputmode=\"decimal\" autocomplete=\"off\" value=\"{Safe(values[path])}\"{Invalid(path)}>{more}{(unit.Length > 0 ? $"<span class=\"unit\">{unit}</span>" : "")}{Error(path)}"
        );
    }

    private HtmlString Typed(CaseField field, string label, string how)
    {
        string id = Id(field.Path);
        return Html(
            $"<label class=\"fact\" for=\"{id}\">{label}</label><input {how} id=\"{id}\" name=\"{field.Path}\" value=\"{Safe(values[field.Path])}\"{Invalid(field.Path)}>{Error(field.Path)}"
        );
    }

    /// <summary>A choice by the contract's names, in the trade's words. A value that is not among them stays visible.</summary>
    public IHtmlContent Choice(string path, string label, IEnumerable<(string Name, string Says)> options, string? none = null)
    {
        var html = new StringBuilder($"<label class=\"fact\" for=\"{Id(path)}\">{label}</label><select id=\"{Id(path)}\" name=\"{path}\"{Invalid(path)}>");
        if (none is not null)
        {
            html.Append($"<option value=\"\">{Safe(none)}</option>");
        }

        foreach (var (name, says) in options)
        {
            html.Append($"<option value=\"{Safe(name)}\"{(values[path] == name ? " selected" : "")}>{Safe(says)}</option>");
        }

        return Html(html.Append("</select>").Append(Error(path)).ToString());
    }

    /// <summary>A box to tick. <paramref name="unless"/>: an unticked box must say no, not nothing.</summary>
    public IHtmlContent Tick(string path, string label, bool unless = false)
    {
        string no = unless ? $"<input type=\"hidden\" name=\"off.{path}\" value=\"1\">" : "";
        return Html(
            $"<label class=\"tick\">{no}<input type=\"checkbox\" id=\"{Id(path)}\" name=\"{path}\" value=\"true\"{(values.On(path) ? " checked" : "")}{Invalid(path)}>{label}</label>{Error(path)}"
        );
    }

    private static string Id(string path) => "f-" + path.Replace('.', '-');

    private string Invalid(string path) => errors.Any(e => e.Path == path) ? $" aria-invalid=\"true\" aria-describedby=\"{Id(path)}-error\"" : "";

    private string Error(string path)
    {
        var error = errors.FirstOrDefault(e => e.Path == path);
        return $"<span class=\"error\" id=\"{Id(path)}-error\" data-error=\"{path}\">{(error is null ? "" : Safe(Say(error)))}</span>";
    }

    /// <summary>A complaint as a sentence beside its field.</summary>
    public static string Say(FieldError error) => $"{Words.Sentence(error.Says)}. Allowed: {error.Range}.";

    private static string Safe(string text) => WebUtility.HtmlEncode(text);

    /// <summary>Label and field stay on one line together.</summary>
    private static HtmlString Html(string html) => new($"<span class=\"pair\">{html}</span>");
}
