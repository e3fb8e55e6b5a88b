using Dapper;
using Npgsql;

namespace Kitto.Store;

/// <summary>A line of the shelf as it is kept.</summary>
public sealed record StoredLine(string Id, string Document, int Version);

/// <summary>The lines on the shelf.</summary>
public sealed class Lines(Database db)
{
    public Task<IReadOnlyList<StoredLine>> All() => db.List<StoredLine>("select id, document::text as document, version from line order by id");

    /// <summary>Where the shelf stands: another text as soon as any line is written, whoever writes it.</summary>
    public Task<string> Stamp() => db.On(connection => Stamp(connection, hold: false));

    /// <summary>The same in a transaction; held, the shelf stays as it is until its end.</summary>
    internal static async Task<string> Stamp(NpgsqlConnection connection, bool hold)
    {
        if (hold)
        {
            await connection.ExecuteAsync("lock table line in share mode");
        }

        return await connection.ExecuteScalarAsync<string>("select string_agg(id || ':' || version, ',' order by id) from line") ?? "";
    }

    /// <summary>The lines a prescription was signed with, as one document.</summary>
    public Task<string?> Kept(string hash) => db.One<string>("select lines::text from shelf_version where hash = @hash", new { hash });

    /// <summary>Puts the first lines on an empty shelf; a shelf that has any is left alone.</summary>
    public Task Fill(IEnumerable<(string Id, string Document)> lines) =>
        db.Together(async connection =>
        {
            await connection.ExecuteAsync("lock table line in exclusive mode");
            if (await connection.ExecuteScalarAsync<int>("select count(*) from line") > 0)
            {
                return;
            }

            foreach (var (id, document) in lines)
            {
                await connection.ExecuteAsync("insert into line (id, document) values (@id, @document::jsonb)", new { id, document });
            }
        });

    /// <summary>Takes a line off the shelf.</summary>
    /// <exception cref="ConflictException">Someone has changed it meanwhile.</exception>
    public async Task Remove(string id, int version)
    {
        if (await db.Run("delete from line where id = @id and version = @version", new { id, version }) == 0)
        {
            throw new ConflictException($"Someone else has changed {id} meanwhile.");
        }
    }

    /// <summary>Writes lines together. A version of 0 is a new line.</summary>
    /// <exception cref="ConflictException">Someone has changed one meanwhile; nothing was written.</exception>
    public Task Save(IEnumerable<StoredLine> lines, Guid by) =>
        db.Together(async connection =>
        {
            foreach (var line in lines)
            {
                int rows = await connection.ExecuteAsync(
                    line.Version == 0
                        ? "insert into line (id, document, changed_by) values (@Id, @Document::jsonb, @by) on conflict (studio_id, id) do nothing"
                        : "update line set document = @Document::jsonb, version = version + 1, changed_at = now(), changed_by = @by where id = @Id and version = @Version",
                    new
                    {
                        line.Id,
                        line.Document,
                        line.Version,
                        by,
                    }
                );
                if (rows == 0)
                {
                    throw new ConflictException($"Someone else has changed {line.Id} meanwhile.");
                }
            }
        });
}
