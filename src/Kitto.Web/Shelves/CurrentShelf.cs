using System.Collections.Concurrent;
using Kitto.Core.Contract;
using Kitto.Core.Shade;
using Kitto.Store;
using Microsoft.Extensions.Caching.Memory;

namespace Kitto.Web.Shelves;

/// <summary>The shelf as it was read at one moment: lines and the versions they were read at belong together.</summary>
/// <param name="Shelf">The lines.</param>
/// <param name="Stamp">Where the shelf stood.</param>
/// <param name="Versions">Version of each line.</param>
/// <param name="SetAside">Lines that are kept but cannot be used, each with what is wrong.</param>
public sealed record ShelfRead(Shelf Shelf, string Stamp, IReadOnlyDictionary<string, int> Versions, IReadOnlyList<FieldError> SetAside);

/// <summary>Holds the shelf of each studio as it stands; before every page it is asked whether anybody has changed it, in this process or another.</summary>
public sealed class CurrentShelf(Lines lines) : IDisposable
{
    /// <summary>A studio nobody works in is forgotten after so long.</summary>
    private static readonly TimeSpan Keeps = TimeSpan.FromHours(1);

    private readonly MemoryCache shelves = new(new MemoryCacheOptions());
    private readonly ConcurrentDictionary<string, Shelf> kept = [];

    /// <summary>What was read last of the studio at hand.</summary>
    public ShelfRead Read => shelves.Get<ShelfRead>(CurrentStudio.Id) ?? throw new InvalidOperationException("The shelf was not read yet.");

    /// <summary>The shelf.</summary>
    public Shelf Now => Read.Shelf;

    /// <summary>Reads it.</summary>
    /// <param name="invented">Folder of the invented lines, which an empty shelf is filled with first.</param>
    public async Task Open(string invented)
    {
        var files = Directory.EnumerateFiles(invented, "*.json").Select(f => (Path.GetFileName(f), File.ReadAllText(f)));
        await lines.Fill(CatalogueReader.Read(files).Lines.Select(l => (l.Id, CatalogueReader.Write(l))));
        await Refresh();
    }

    /// <summary>Takes a line off the shelf. What was signed carries its own copy of it.</summary>
    /// <exception cref="ConflictException">Someone has changed it meanwhile.</exception>
    public async Task Remove(string id, int version)
    {
        await lines.Remove(id, version);
        await Refresh();
    }

    /// <summary>Reads it again where somebody has changed it.</summary>
    public async Task Refresh()
    {
        if (shelves.TryGetValue(CurrentStudio.Id, out ShelfRead? now) && now!.Stamp == await lines.Stamp())
        {
            return;
        }

        var all = await lines.All();
        var (shelf, wrong) = CatalogueReader.ReadAll(all.Select(l => (l.Id, l.Document)));
        var read = new ShelfRead(shelf, string.Join(',', all.Select(l => $"{l.Id}:{l.Version}")), all.ToDictionary(l => l.Id, l => l.Version), wrong);
        shelves.Set(CurrentStudio.Id, read, new MemoryCacheEntryOptions { SlidingExpiration = Keeps });
    }

    /// <summary>The shelf something was signed with; today's where nothing was kept with it.</summary>
    /// <param name="hash">As it stands with the prescription.</param>
    public async Task<Shelf> Kept(string? hash)
    {
        if (hash is null)
        {
            return Now;
        }

        if (!kept.TryGetValue(hash, out var shelf))
        {
            shelf = await lines.Kept(hash) is { } document ? CatalogueReader.Kept(document) : Now;
            // There are as many as the shelf was changed; a few hundred at most are worth keeping.
            if (kept.Count < 500)
            {
                kept[hash] = shelf;
            }
        }

        return shelf;
    }

    /// <summary>Writes lines and reads the shelf again.</summary>
    /// <exception cref="ConflictException">Someone has changed one meanwhile; nothing was written.</exception>
    public async Task Save(IEnumerable<(Line Line, int Version)> changed, Guid by)
    {
        await lines.Save(changed.Select(c => new StoredLine(c.Line.Id, CatalogueReader.Write(c.Line), c.Version)), by);
        await Refresh();
    }

    public void Dispose() => shelves.Dispose();
}
