using Kitto.Core.Contract;
using Kitto.Core.Shade;

namespace Kitto.Tests;

/// <summary>The project as it lies on disk, for all tests.</summary>
internal static class Project
{
    public static string Root { get; } = FindRoot();

    public static Shelf Shelf { get; } =
        CatalogueReader.Read(
            Directory.EnumerateFiles(Path.Combine(Root, "data", "catalogue"), "*.json").Select(f => (Path.GetFileName(f), File.ReadAllText(f)))
        );

    private static string FindRoot()
    {
        string? at = AppContext.BaseDirectory;
        while (at is not null && !File.Exists(Path.Combine(at, "Kitto.slnx")))
        {
            at = Path.GetDirectoryName(at);
        }

        return at ?? throw new InvalidOperationException("The tests run outside the project.");
    }
}
