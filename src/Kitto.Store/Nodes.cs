namespace Kitto.Store;

/// <summary>What several nodes on one database share.</summary>
public sealed class Nodes(Database db)
{
    /// <summary>Takes a turn at something that one node does for all, unless another took it lately.</summary>
    /// <param name="name">What is done.</param>
    /// <param name="at">Now, UTC.</param>
    /// <param name="every">How long a turn lasts.</param>
    public Task<bool> Turn(string name, DateTime at, TimeSpan every) =>
        db.One<bool>(
            """
            with mine as (
                insert into turn as t (name, at) values (@name, @at) on conflict (name) do update set at = @at where t.at <= @at - @every returning 1
            ) select exists (select from mine)
            """,
            new
            {
                name,
                at,
                every,
            }
        );

    /// <summary>Every key that was kept.</summary>
    public Task<IReadOnlyList<string>> Keys() => db.List<string>("select xml from data_key order by added_at");

    /// <summary>Keeps a key.</summary>
    public Task<int> Keep(string name, string xml) =>
        db.Run("insert into data_key (name, xml) values (@name, @xml) on conflict (name) do nothing", new { name, xml });
}
