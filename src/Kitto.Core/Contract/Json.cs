using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Kitto.Core.Contract;

/// <summary>How documents of the contract are written and read back: camel case, plain numbers, names for choices.</summary>
public static class Json
{
    /// <summary>The options every document is written with.</summary>
    public static JsonSerializerOptions Options { get; } = Make(indented: false);

    /// <summary>The same, laid out for people.</summary>
    public static JsonSerializerOptions Indented { get; } = Make(indented: true);

    /// <summary>A prescription/1 document.</summary>
    public static string Write(Prescription prescription, bool indented = false) => JsonSerializer.Serialize(prescription, indented ? Indented : Options);

    /// <summary>Reads back a prescription/1 document that Kitto wrote.</summary>
    /// <exception cref="JsonException">It is not one.</exception>
    public static Prescription ReadPrescription(string json) =>
        JsonSerializer.Deserialize<Prescription>(json, Options) ?? throw new JsonException("The document is empty.");

    /// <summary>The answer to bad input.</summary>
    public static string WriteErrors(IReadOnlyList<FieldError> errors, bool indented = true) =>
        JsonSerializer.Serialize(
            new { error = new { says = errors.Count == 1 ? "One field is wrong." : $"{errors.Count} fields are wrong.", fields = errors } },
            indented ? Indented : Options
        );

    /// <summary>The name of a choice as documents write it.</summary>
    public static string Name<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    /// <summary>The choice of that name, as documents and forms write it; null where there is none. A number is no name.</summary>
    public static T? Named<T>(string? name)
        where T : struct, Enum => Enum.GetValues<T>().Where(v => Name(v) == name).Cast<T?>().FirstOrDefault();

    /// <summary>A name in words: "boxDye" becomes "box dye".</summary>
    public static string Spaced(string name) => string.Concat(name.Select(c => char.IsUpper(c) ? " " + char.ToLowerInvariant(c) : c.ToString()));

    private static JsonSerializerOptions Make(bool indented) =>
        new()
        {
            PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
            WriteIndented = indented,
            Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
            Converters =
            {
                new JsonStringEnumConverter(JsonNamingPolicy.CamelCase),
                new Plain<Grams>(),
                new Plain<Millimetres>(),
                new Plain<Share>(),
                new Plain<Minutes>(),
                new Plain<Level>(),
                new Plain<Volume>(),
            },
        };

    private sealed class Plain<T> : JsonConverter<T>
        where T : IQuantity<T>
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => T.Of(reader.GetDouble());

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteNumberValue(value.Value);
    }
}
