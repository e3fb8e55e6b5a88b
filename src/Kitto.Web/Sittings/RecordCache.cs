using System.Collections.Immutable;
using Kitto.Core;
using Kitto.Core.Shade;
using Microsoft.Extensions.Caching.Memory;

namespace Kitto.Web.Sittings;

/// <summary>What was read and reckoned lately: a sitting asks for the same record at every stroke, and goes back and forth between the same few cases.</summary>
public sealed class RecordCache : IDisposable
{
    private const int MostRecords = 200,
        MostAnswers = 4;

    private readonly MemoryCache records = new(new MemoryCacheOptions { SizeLimit = MostRecords }),
        answers = new(new MemoryCacheOptions { SizeLimit = MostRecords });

    private static MemoryCacheEntryOptions One => new() { Size = 1, SlidingExpiration = TimeSpan.FromMinutes(20) };

    /// <summary>The record, if it still stands as it did; null otherwise.</summary>
    public ClientRecord? Find(Guid client, string stand) =>
        records.TryGetValue(client, out (string Stand, ClientRecord Record) found) && found.Stand == stand ? found.Record : null;

    /// <summary>Keeps a record with where it stood before it was read.</summary>
    public void Keep(Guid client, string stand, ClientRecord record) => records.Set(client, (stand, record), One);

    /// <summary>The answer to a case of hers: the one it had before where it is the same to the letter, else a new one.</summary>
    public Prescription Answer(Guid client, string document, Shelf shelf, Case read)
    {
        var known = answers.Get<ImmutableList<(string Document, Shelf Shelf, Prescription Prescription)>>(client) ?? [];
        int same = known.FindIndex(k => k.Document == document && ReferenceEquals(k.Shelf, shelf));
        var answer = (document, shelf, same >= 0 ? known[same].Prescription : Prescriber.Prescribe(read, shelf));
        var kept = (same >= 0 ? known.RemoveAt(same) : known).Insert(0, answer);
        answers.Set(client, kept.Count > MostAnswers ? kept.RemoveAt(MostAnswers) : kept, One);
        return answer.Item3;
    }

    public void Dispose()
    {
        records.Dispose();
        answers.Dispose();
    }
}
