using Dapper;

namespace Kitto.Store;

/// <summary>One step of a guide as it was begun.</summary>
public sealed record RunStep(Guid Id, int Step, DateTime BegunAt);

/// <summary>What happened on the head, step by step; it is kept with the kit.</summary>
public sealed class Runs(Database db)
{
    /// <summary>Most steps a run can have, back and forth counted.</summary>
    public const int Most = 500;

    /// <summary>All of a kit, in the order they were begun.</summary>
    public Task<IReadOnlyList<RunStep>> Of(Guid kitId) =>
        db.List<RunStep>("select id, step, begun_at from run_step where kit_id = @kitId order by begun_at, received_at, id", new { kitId });

    /// <summary>Keeps steps; what is there already is left as it is.</summary>
    public Task Add(Guid kitId, IReadOnlyList<RunStep> steps, DateTime at) => db.Together(async connection =>
    {
        foreach (var step in steps)
        {
            await connection.ExecuteAsync("""
                insert into run_step (id, kit_id, step, begun_at, received_at)
                select @Id, @kitId, @Step, @BegunAt, @at where (select count(*) from run_step where kit_id = @kitId) < @Most
                on conflict (id) do nothing
                """, new { step.Id, kitId, step.Step, step.BegunAt, at, Most });
        }
    });
}
