using System.Text.Json;

namespace Kitto.Core.Contract;

/// <summary>From a text to its one object.</summary>
internal sealed partial class ObjectReader
{
    /// <summary>Reads a document that is one JSON object; on any complaint there is none, and every complaint is listed.</summary>
    /// <param name="json">The document.</param>
    /// <param name="like">What it looks like, for the complaint.</param>
    /// <param name="read">Reads the object.</param>
    public static (T? Found, IReadOnlyList<FieldError> Errors) Document<T>(string json, string like, Func<ObjectReader, T> read)
        where T : class
    {
        var errors = new List<FieldError>();
        if (Parse(json, like, errors) is not { } parsed)
        {
            return (null, errors);
        }

        using (parsed)
        {
            var found = read(new ObjectReader(parsed.RootElement, "", errors));
            return errors.Count == 0 ? (found, errors) : (null, errors);
        }
    }

    /// <summary>The one JSON object of a document; null with a complaint where it is none that can be read.</summary>
    public static JsonDocument? Parse(string json, string like, List<FieldError> errors)
    {
        try
        {
            var document = JsonDocument.Parse(json, Strict);
            // A name or text may be escaped so that it is no text at all (half of a surrogate pair): told before anything asks for it.
            if (document.RootElement.ValueKind == JsonValueKind.Object && (!json.Contains("\\u", StringComparison.Ordinal) || Readable(document.RootElement)))
            {
                return document;
            }

            errors.Add(document.RootElement.ValueKind == JsonValueKind.Object ? HalfACharacter : new FieldError("$", "must be one JSON object", like));
            document.Dispose();
        }
        catch (JsonException broken)
        {
            string where = broken.LineNumber is { } line ? $" at line {line + 1}, byte {broken.BytePositionInLine + 1}" : "";
            errors.Add(
                new FieldError(
                    broken.Path ?? "$",
                    $"is not well-formed JSON{where}: {broken.Message.Split(" Path:")[0].Split(" LineNumber:")[0]}",
                    "one JSON object, each field once"
                )
            );
        }
        catch (Exception half) when (half is ArgumentException or InvalidOperationException)
        {
            errors.Add(HalfACharacter);
        }

        return null;
    }

    private static FieldError HalfACharacter =>
        new("$", "holds a character that is only half of one", "whole characters: both halves of a surrogate pair, or neither");

    private static readonly JsonDocumentOptions Strict = new() { MaxDepth = 16, AllowDuplicateProperties = false };

    private static bool Readable(JsonElement at)
    {
        try
        {
            return at.ValueKind switch
            {
                JsonValueKind.Object => at.EnumerateObject().All(p => p.Name is not null && Readable(p.Value)),
                JsonValueKind.Array => at.EnumerateArray().All(Readable),
                JsonValueKind.String => at.GetString() is not null,
                _ => true,
            };
        }
        catch (InvalidOperationException)
        {
            return false;
        }
    }
}
