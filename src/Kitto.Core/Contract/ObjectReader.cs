using System.Globalization;
using System.Text.Json;
using Kitto.Core.Colour;

namespace Kitto.Core.Contract;

/// <summary>Reads one JSON object field by field, keeping every complaint with its path; what nobody asked for is a complaint too.</summary>
internal sealed partial class ObjectReader(JsonElement element, string path, List<FieldError> errors)
{
    private readonly HashSet<string> asked = [];

    public string Path => path;

    public List<FieldError> Errors => errors;

    public bool Has(string name)
    {
        asked.Add(name);
        return element.TryGetProperty(name, out var value) && value.ValueKind != JsonValueKind.Null;
    }

    public double? Number(NumberField field)
    {
        var (name, range) = (field.Name, field.Range);
        if (!Has(name))
        {
            return null;
        }

        var value = element.GetProperty(name);
        if (value.ValueKind != JsonValueKind.Number || !value.TryGetDouble(out double number) || !double.IsFinite(number))
        {
            Fail(name, $"must be a number, not {Shown(value)}", range);
            return null;
        }

        if (number < field.Least || number > field.Most)
        {
            Fail(name, string.Create(CultureInfo.InvariantCulture, $"is {number}, which is outside the range"), range);
            return null;
        }

        if (field.Step > 0 && Math.Abs(number / field.Step - Math.Round(number / field.Step)) > 1e-9)
        {
            Fail(
                name,
                string.Create(CultureInfo.InvariantCulture, $"is {number}; only {(field.Step == 1 ? "whole numbers" : "whole and half numbers")} are allowed"),
                range
            );
            return null;
        }

        return number;
    }

    public double? Number(string name, double min, double max) => Number(new NumberField(name, min, max));

    public int? Whole(NumberField field) => (int?)Number(field);

    public int? Whole(string name, int min, int max) => Whole(new NumberField(name, min, max, Step: 1));

    /// <summary>A number, or what a missing one counts as.</summary>
    public double Or(NumberField field) => Number(field) ?? field.Default ?? throw new InvalidOperationException($"{field.Path} counts as nothing.");

    public double NeededNumber(NumberField field) => Require(field.Name, Number(field), field.Range);

    public int NeededWhole(NumberField field) => Require(field.Name, Whole(field), field.Range);

    public DateOnly NeededDate(DateField field) => Require(field.Name, Date(field.Name), field.Range);

    public T NeededOne<T>(ChoiceField<T> field)
        where T : struct, Enum => Require(field.Name, OneOf(field), field.Range);

    /// <summary>A choice, or what a missing one counts as.</summary>
    public T One<T>(ChoiceField<T> field)
        where T : struct, Enum => OneOf(field) ?? field.Usual ?? throw new InvalidOperationException($"{field.Path} counts as nothing.");

    public T? OneOf<T>(ChoiceField<T> field)
        where T : struct, Enum => Text(field.Name) is { } text ? Named(field.Name, text, field.Values) : null;

    public bool? Flag(FlagField field) => Flag(field.Name);

    /// <summary>Yes or no, or what a missing one counts as.</summary>
    public bool On(FlagField field) => Flag(field) ?? field.Default ?? throw new InvalidOperationException($"{field.Path} counts as nothing.");

    public bool? Flag(string name)
    {
        if (!Has(name))
        {
            return null;
        }

        var value = element.GetProperty(name);
        if (value.ValueKind is JsonValueKind.True or JsonValueKind.False)
        {
            return value.GetBoolean();
        }

        Fail(name, $"must be true or false, not {Shown(value)}", "true, false");
        return null;
    }

    public string? Text(string name) => Text(new TextField(name));

    public string? Text(TextField field)
    {
        string name = field.Name;
        if (!Has(name))
        {
            return null;
        }

        var value = element.GetProperty(name);
        if (
            value.ValueKind == JsonValueKind.String
            && value.GetString() is { } text
            && text.Trim().Length is > 0 and var length
            && length <= field.Longest
            && !text.Any(ObjectText.IsControl)
        )
        {
            return text.Trim();
        }

        Fail(
            name,
            value.ValueKind == JsonValueKind.String && value.GetString()!.Any(ObjectText.IsControl)
                ? "holds a control character"
                : $"must be a text, not {Shown(value)}",
            field.Range
        );
        return null;
    }

    /// <summary>A text as it stands, empty too; null where it is none.</summary>
    public string? RawText(string name)
    {
        string? text = Has(name) && element.GetProperty(name) is { ValueKind: JsonValueKind.String } value ? value.GetString() : null;
        if (text?.Any(ObjectText.IsControl) == true)
        {
            Fail(name, "holds a control character", "characters that can be printed");
        }

        return text;
    }

    public T? OneOf<T>(string name)
        where T : struct, Enum => OneOf(new ChoiceField<T>(name));

    public T? Named<T>(string name, string text, IReadOnlyDictionary<string, T> allowed)
        where T : struct
    {
        if (allowed.TryGetValue(text, out var found))
        {
            return found;
        }

        Fail(name, $"is \"{text}\", which is not known", string.Join(", ", allowed.Keys));
        return null;
    }

    /// <summary>A colour that is needed.</summary>
    public Lab Colour(ColourField field)
    {
        var list = List(field.Name, 3);
        double[] read = [.. (list ?? []).Select(n => n.ValueKind == JsonValueKind.Number && n.TryGetDouble(out double v) ? v : double.NaN)];
        if (read.Length == 3 && read[0] is >= 0 and <= 100 && read.Skip(1).All(v => Math.Abs(v) <= 128))
        {
            return Lab.Of(read);
        }

        if (list is not null || !Has(field.Name))
        {
            Fail(field.Name, list is null ? "is needed" : "is not a colour", field.Range);
        }

        return default;
    }

    public DateOnly? Date(string name)
    {
        if (Text(name) is not { } text)
        {
            return null;
        }

        if (DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var date) && date.Year is >= 2000 and <= 2200)
        {
            return date;
        }

        Fail(name, $"is \"{text}\", which is not a date", "2000-01-01 to 2200-12-31, as year-month-day");
        return null;
    }

    public ObjectReader? Object(string name)
    {
        if (!Has(name))
        {
            return null;
        }

        var value = element.GetProperty(name);
        if (value.ValueKind == JsonValueKind.Object)
        {
            return new ObjectReader(value, At(name), errors);
        }

        Fail(name, $"must be an object, not {Shown(value)}", "{ ... }");
        return null;
    }

    public IReadOnlyList<JsonElement>? List(string name, int longest) => List(new ListField(name, longest));

    public IReadOnlyList<JsonElement>? List(ListField field)
    {
        string name = field.Name;
        if (!Has(name))
        {
            return null;
        }

        var value = element.GetProperty(name);
        if (value.ValueKind == JsonValueKind.Array && value.GetArrayLength() <= field.Most)
        {
            return [.. value.EnumerateArray()];
        }

        Fail(name, value.ValueKind == JsonValueKind.Array ? "has too many entries" : $"must be a list, not {Shown(value)}", field.Range);
        return null;
    }

    public IReadOnlyList<ObjectReader> Objects(string name, int longest) => Objects(new ListField(name, longest));

    public IReadOnlyList<ObjectReader> Objects(ListField field)
    {
        string name = field.Name;
        var found = new List<ObjectReader>();
        foreach (var (item, i) in (List(field) ?? []).Select((x, i) => (x, i)))
        {
            if (item.ValueKind == JsonValueKind.Object)
            {
                found.Add(new ObjectReader(item, $"{At(name)}[{i}]", errors));
            }
            else
            {
                Fail($"{name}[{i}]", $"must be an object, not {Shown(item)}", "{ ... }");
            }
        }

        return found;
    }

    public T Require<T>(string name, T? value, string range)
        where T : struct
    {
        if (value is null && !Has(name))
        {
            Fail(name, "is needed", range);
        }

        return value.GetValueOrDefault();
    }

    public void Fail(string name, string says, string range) => errors.Add(new FieldError(At(name), says, range));

    /// <summary>Complains about every field that was not asked for.</summary>
    public void Done()
    {
        foreach (var property in element.EnumerateObject().Where(p => !asked.Contains(p.Name)))
        {
            Fail(property.Name, "is not a field of this document", string.Join(", ", asked.Order(StringComparer.Ordinal)));
        }
    }

    public IEnumerable<string> Names => element.EnumerateObject().Select(p => p.Name);

    private string At(string name) => path.Length == 0 ? name : $"{path}.{name}";

    private static string Shown(JsonElement value)
    {
        string raw = value.ValueKind == JsonValueKind.String ? $"\"{value.GetString()}\"" : value.GetRawText();
        return raw.Length > 40 ? raw[..40] + "..." : raw;
    }
}
