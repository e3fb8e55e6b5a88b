using System.Text;
using Kitto.Core;
using Kitto.Core.Contract;

// kitto prescribe CASE.json | -    one JSON document in, one out; 0 answered, 2 bad input.
Console.OutputEncoding = new UTF8Encoding(false);
if (args is not ["prescribe", var source])
{
    Console.WriteLine(Json.WriteErrors([new FieldError("arguments", "say which case", "prescribe CASE.json, or prescribe - for standard input")]));
    return 2;
}

try
{
    string text;
    if (source == "-")
    {
        using var input = new StreamReader(Console.OpenStandardInput(), Encoding.UTF8);
        text = await input.ReadToEndAsync();
    }
    else
    {
        text = await File.ReadAllTextAsync(source);
    }

    string folder = Path.Combine(AppContext.BaseDirectory, "data", "catalogue");
    var shelf = CatalogueReader.Read(Directory.EnumerateFiles(folder, "*.json").Select(f => (Path.GetFileName(f), File.ReadAllText(f))));
    var (found, errors) = CaseReader.Read(text, shelf);
    Console.WriteLine(found is null ? Json.WriteErrors(errors) : Json.Write(Prescriber.Prescribe(found, shelf), indented: true));
    return found is null ? 2 : 0;
}
catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
{
    Console.WriteLine(Json.WriteErrors([new FieldError("file", $"cannot be read: {failure.Message}", "the path of a JSON file that exists")]));
    return 2;
}
