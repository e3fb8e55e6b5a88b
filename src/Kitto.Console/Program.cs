using System.Text;
using Kitto.Core.Contract;
using Kitto.Core.Shade;

// kitto prescribe CASE.json | -          one JSON document in, one out; 0 answered, 2 bad input, 1 a fault of ours.
//                 --many FILE | -        one case a line in, one answer or error a line out; a bad line never ends it.
//                 --lines FOLDER         line/1 documents of one's own instead of the demo's.
// kitto schema                           the JSON Schema of a case, made from the table of its facts.
Console.OutputEncoding = new UTF8Encoding(false);
const string How = "prescribe [--lines FOLDER] CASE.json, or --many FILE; - is standard input";
if (args is ["schema"])
{
    Console.WriteLine(CaseSchema.Write());
    return 0;
}

try
{
    var (source, many, folder) = args is ["prescribe", .. var words] ? Read([.. words]) : default;
    if (source is null)
    {
        return Wrong(new FieldError("arguments", "say which case", How));
    }

    if (Catalogue(folder ?? Path.Combine(AppContext.BaseDirectory, "data", "catalogue"), out var complaints) is not { } shelf)
    {
        return Wrong([.. complaints]);
    }

    using var input = source == "-" ? new StreamReader(Console.OpenStandardInput(), Encoding.UTF8) : new StreamReader(source, Encoding.UTF8);
    if (!many)
    {
        var (kind, document) = Documents.Answer(await input.ReadToEndAsync(), shelf, indented: true);
        Console.WriteLine(document);
        return Exit(kind);
    }

    bool failed = false;
    await using var output = new StreamWriter(Console.OpenStandardOutput(), new UTF8Encoding(false), 1 << 16);
    while (await input.ReadLineAsync() is { } line)
    {
        var (kind, document) = Documents.Answer(line, shelf, indented: false);
        failed |= kind == AnswerKind.Failed;
        await output.WriteLineAsync(document);
    }

    return failed ? 1 : 0;
}
catch (Exception failure) when (failure is IOException or UnauthorizedAccessException or ArgumentException)
{
    return Wrong(new FieldError("file", $"cannot be read: {failure.Message}", "the path of a file that exists"));
}

static int Exit(AnswerKind kind) =>
    kind switch
    {
        AnswerKind.Prescription => 0,
        AnswerKind.BadInput => 2,
        AnswerKind.Failed => 1,
        _ => throw new ArgumentOutOfRangeException(nameof(kind)),
    };

static int Wrong(params FieldError[] errors)
{
    Console.WriteLine(Json.WriteErrors(errors));
    return 2;
}

static (string? Source, bool Many, string? Folder) Read(List<string> words)
{
    string? folder = null;
    if (words.IndexOf("--lines") is >= 0 and var at)
    {
        if (at + 1 >= words.Count)
        {
            return default;
        }

        folder = words[at + 1];
        words.RemoveRange(at, 2);
    }

    bool many = words.Remove("--many");
    return words is [var source] && (source == "-" || !source.StartsWith("--", StringComparison.Ordinal)) ? (source, many, folder) : default;
}

static Shelf? Catalogue(string folder, out IReadOnlyList<FieldError> complaints)
{
    var files = Directory
        .EnumerateFiles(folder, "*.json")
        .Order(StringComparer.Ordinal)
        .Select(f => (Name: Path.GetFileName(f), Text: File.ReadAllText(f)))
        .ToList();
    var (shelf, errors) = CatalogueReader.ReadAll(files);
    complaints = files.Count == 0 ? [new FieldError("lines", $"hold no line: {folder} has no .json file", "a folder of line/1 documents")] : errors;
    return complaints.Count > 0 ? null : shelf;
}
