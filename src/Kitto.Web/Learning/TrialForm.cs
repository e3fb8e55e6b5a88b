using Kitto.Core;
using Kitto.Core.Clock;
using Kitto.Core.Comparison;
using Kitto.Core.Contract;
using Kitto.Core.Learning;
using Kitto.Core.Shade;
using Kitto.Web.Sittings;

namespace Kitto.Web.Learning;

/// <summary>What is typed of a head to learn on, and what is wrong with it.</summary>
public static class TrialForm
{
    /// <summary>Rows for shades: four parts are never signed, and may be tried.</summary>
    public const int Parts = 4;

    private static readonly NumberField Sent = new("grams", 5, 1000, "g"),
        Contact = new("process", 0, 120, "min");

    private static readonly string[] Names =
    [
        "read.level",
        "read.white",
        "read.regrowth",
        "decision",
        "service",
        "developer",
        "grams",
        "order",
        "process",
        "skinTest",
        "strandTest",
        .. Enumerable.Range(1, Parts).SelectMany(i => new[] { $"shade{i}", $"share{i}" }),
    ];

    /// <summary>What was posted, word for word.</summary>
    public static FormValues Posted(IFormCollection form)
    {
        var values = new FormValues();
        foreach (string name in Names)
        {
            values[name] = form[name].ToString();
        }

        return values;
    }

    /// <summary>What was kept of a signed head.</summary>
    public static FormValues Kept(IReadOnlyDictionary<string, string> kept)
    {
        var values = new FormValues();
        foreach (var (name, text) in kept)
        {
            values[name] = text;
        }

        return values;
    }

    /// <summary>The same for keeping.</summary>
    public static IReadOnlyDictionary<string, string> Keep(FormValues values) => Names.Where(n => values[n].Length > 0).ToDictionary(n => n, n => values[n]);

    /// <summary>The trial, or every complaint by its field.</summary>
    public static (Trial? Trial, IReadOnlyList<FieldError> Errors) Read(FormValues values, Shelf shelf)
    {
        var errors = new List<FieldError>();
        double? Number(string name, NumberField field, bool needed = true)
        {
            string text = values[name].Trim();
            if (text.Length == 0 && !needed)
            {
                return null;
            }

            if (TypedNumber.Read(text, field) is { } number)
            {
                return number;
            }

            errors.Add(
                new FieldError(
                    name,
                    text.Length == 0 ? "is needed"
                        : TypedNumber.Read(text) is null ? $"is \"{text}\", which is no number"
                        : $"is {text}",
                    $"{field.Least:0.##} to {field.Most:0.##} {field.Unit}".TrimEnd()
                )
            );
            return null;
        }

        T? Chosen<T>(string name, Func<T, string> says)
            where T : struct, Enum
        {
            if (Json.Named<T>(values[name]) is { } found && found is not PaintOrder.Own)
            {
                return found;
            }

            errors.Add(
                new FieldError(
                    name,
                    values[name].Length == 0 ? "is needed" : $"is \"{values[name]}\", which is none of them",
                    string.Join(", ", Enum.GetValues<T>().Where(v => v is not PaintOrder.Own).Select(says))
                )
            );
            return null;
        }

        var reading = new TrialReading(
            Number("read.level", CaseFields.HairNaturalLevel, needed: false) is { } level ? Level.Of(level) : null,
            Number("read.white", CaseFields.ZoneGreyPercent, needed: false) is { } white ? Share.Of(white / 100) : null,
            Number("read.regrowth", CaseFields.ZoneRegrowthMm, needed: false) is { } mm ? Millimetres.Of(mm) : null
        );
        if (Chosen<Decision>("decision", Compare.Named) is not { } decision)
        {
            return (null, errors);
        }

        if (decision != Decision.Kit)
        {
            return errors.Count > 0 ? (null, errors) : (new Trial(reading, decision, null), []);
        }

        var (service, order) = (Chosen<Service>("service", Words.Of), Chosen<PaintOrder>("order", Words.Studio.Term));
        var mix = Mix(values, shelf, errors);
        var (developer, grams, process) = (Number("developer", CaseFields.FormulaDeveloperVolume), Number("grams", Sent), Number("process", Contact));
        return errors.Count > 0
            ? (null, errors)
            : (
                new Trial(
                    reading,
                    decision,
                    new TrialKit(
                        service!.Value,
                        mix!.Value.Line,
                        mix.Value.Parts,
                        Volume.Of(developer!.Value),
                        Grams.Of(grams!.Value),
                        order!.Value,
                        Minutes.Of(process!.Value),
                        values.On("skinTest"),
                        values.On("strandTest")
                    )
                ),
                []
            );
    }

    /// <summary>The mix: shades of one line, with their parts of a hundred; one alone needs none said.</summary>
    private static (string Line, IReadOnlyList<MixPart> Parts)? Mix(FormValues values, Shelf shelf, List<FieldError> errors)
    {
        var rows = Enumerable
            .Range(1, Parts)
            .Select(i => (At: i, Code: values[$"shade{i}"], Share: values[$"share{i}"].Trim()))
            .Where(r => r.Code.Length > 0 || r.Share.Length > 0)
            .ToList();
        if (rows.Count == 0)
        {
            errors.Add(new FieldError("shade1", "is needed", "a shade of a line on the shelf"));
            return null;
        }

        string? line = null;
        var parts = new List<MixPart>();
        foreach (var (at, code, typed) in rows)
        {
            string[] named = code.Split('/');
            if (named.Length != 2 || shelf.Find(named[0])?.Find(named[1]) is not { } shade)
            {
                errors.Add(
                    new FieldError($"shade{at}", code.Length == 0 ? "is needed beside its part" : "is not on the shelf", "a shade of a line on the shelf")
                );
                continue;
            }

            if (line is not null && line != named[0])
            {
                errors.Add(new FieldError($"shade{at}", "is of another line", "the shades of one mix are of one line"));
                continue;
            }

            line = named[0];
            if (parts.Any(p => p.Shade == shade.Code))
            {
                errors.Add(new FieldError($"shade{at}", "stands there twice", "each shade once"));
            }
            else if ((typed.Length == 0 && rows.Count == 1 ? 100 : TypedNumber.Read(typed, 1, 100)) is { } share)
            {
                parts.Add(new MixPart(shade.Code, Share.Of(share / 100)));
            }
            else
            {
                errors.Add(new FieldError($"share{at}", typed.Length == 0 ? "is needed" : $"is \"{typed}\"", "1 to 100 %"));
            }
        }

        double whole = parts.Sum(p => p.Share.Value);
        if (parts.Count == rows.Count && Math.Abs(whole - 1) > .011)
        {
            errors.Add(new FieldError("share1", $"and the others add up to {whole * 100:0.#} %", "100 % together; thirds may be written 33"));
        }

        return errors.Count > 0 || line is null ? null : (line, [.. parts.Select(p => p with { Share = Share.Of(p.Share.Value / whole) })]);
    }
}
