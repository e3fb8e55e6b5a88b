using Kitto.Core.Contract;
using Kitto.Core.Shade;
using Kitto.Store;

namespace Kitto.Web.Cases;

/// <summary>Holds the shelf as it stands now; it is read again when it was changed.</summary>
public sealed class ShelfKeeper(Lines lines)
{
    private volatile Shelf? shelf;

    /// <summary>The shelf.</summary>
    public Shelf Now => shelf ?? throw new InvalidOperationException("The shelf was not read yet.");

    /// <summary>Reads it; an empty one is filled from the open files of the catalogue first.</summary>
    public async Task Open(string folder)
    {
        var files = Directory.EnumerateFiles(folder, "*.json").Select(f => (Path.GetFileName(f), File.ReadAllText(f)));
        await lines.Fill(CatalogueReader.Read(files).Lines.Select(l => (l.Id, CatalogueReader.Write(l))));
        await Read();
    }

    /// <summary>Reads it again.</summary>
    public async Task Read() => shelf = CatalogueReader.Read((await lines.All()).Select(l => (l.Id, l.Document)));

    /// <summary>Writes lines and reads the shelf again.</summary>
    /// <exception cref="ConflictException">Someone has changed one meanwhile; nothing was written.</exception>
    public async Task Save(IEnumerable<(Line Line, int Version)> changed, Guid by)
    {
        await lines.Save(changed.Select(c => new StoredLine(c.Line.Id, CatalogueReader.Write(c.Line), c.Version)), by);
        await Read();
    }
}
