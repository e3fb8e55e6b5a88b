using System.IO.Compression;
using System.Net;
using System.Text.Json;
using Dapper;
using Kitto.Store;
using Kitto.Store.Commands;
using Npgsql;

namespace Kitto.Web.Tests;

/// <summary>What belongs to a client by right: all that is kept, and to be forgotten.</summary>
public sealed class ForgottenTests(Studio studio) : IClassFixture<Studio>
{
    private const string Name = "Zeferina Quillfeather",
        Mail = "zeferina@quill.example",
        Phone = "+44 1632 960999",
        Note = "keeps-an-otter";

    private async Task<NpgsqlConnection> Owner()
    {
        var owner = new NpgsqlConnection(studio.Connection + ";Pooling=false");
        await owner.OpenAsync();
        return owner;
    }

    /// <summary>A client with something of hers in as many tables as can be.</summary>
    private async Task<(Guid Id, Visitor Colourist, string Guide)> Somebody()
    {
        var (kit, client, colourist) = await studio.FreshKit(Name);
        await colourist.Open($"/clients/{kit.ClientId}/edit");
        await colourist.Send("main form", ("Email", Mail), ("Phone", Phone), ("Note", Note));
        await using var owner = await Owner();
        // Words of hers wherever words are kept.
        await owner.ExecuteAsync(
            """
            insert into safety_event (studio_id, id, client_id, kit_id, kind, happened_at, said_at, said_by, says) values (1, @picture, @ClientId, @Id, 'skinOn', now(), now(), 'client', 'keeps-an-otter');
            insert into test_photo (studio_id, test_id, jpeg, taken_in) values (1, @picture, @jpeg, now());
            insert into report_photo (studio_id, id, kit_id, size, came, jpeg, begun_at, taken_in) values (1, gen_random_uuid(), @Id, 100, @jpeg, @jpeg, now(), now());
            insert into kit_replacement (studio_id, id, kit_id, part, why, asked_by, asked_at) values (1, gen_random_uuid(), @Id, 'gloves', 'keeps-an-otter', 'Tove', now());
            insert into outcome_report (studio_id, kit_id, applied_on, coverage, depth, tone, left_grams, ran_out, weighed, comfort, note, reported_at) values (1, @Id, current_date, 'full', 'right', 'right', 5, false, true, 'fine', 'keeps-an-otter', now());
            insert into client_way (studio_id, client_id, rule, way, reason, decided_by, decided_at) select 1, @ClientId, 'TM2', 'lastStroke', 'keeps-an-otter', id, now() from person limit 1;
            insert into draft (studio_id, client_id, person_id, begun_from, document, saved_at) select 1, @ClientId, id, 1, '{"note": "keeps-an-otter"}', now() from person limit 1;
            insert into message (studio_id, id, key, client_id, recipient, subject, body, due_at, made_at) values (1, gen_random_uuid(), 'test:' || @Id, @ClientId, 'zeferina@quill.example', 'Zeferina', 'keeps-an-otter', now(), now());
            update kit set cancelled_at = now(), cancelled_by = 'Tove', cancelled_why = 'keeps-an-otter', state = 'closed' where id = @Id
            """,
            new
            {
                kit.Id,
                kit.ClientId,
                picture = Guid.NewGuid(),
                jpeg = "keeps-an-otter"u8.ToArray(),
            }
        );
        return (kit.ClientId, colourist, client.Address);
    }

    [Fact]
    public async Task Every_table_that_has_a_client_in_it_is_known_to_be_given_and_erased()
    {
        await using var owner = await Owner();
        var tables = await owner.QueryAsync<string>(
            "select distinct table_name from information_schema.columns c join pg_tables t on t.tablename = c.table_name and t.schemaname = 'public' where c.table_schema = 'public' and column_name in ('client_id', 'kit_id', 'test_id')"
        );
        Assert.Equal(ClientRights.Where.Keys.Except(["client"]).Order(), tables.Order());
    }

    [Fact]
    public async Task Erased_nothing_names_her_in_any_table_and_events_stay_without_a_name()
    {
        var (id, colourist, guide) = await Somebody();
        await using var owner = await Owner();
        var columns = (
            await owner.QueryAsync<(string Table, string Column)>(
                "select c.table_name, c.column_name from information_schema.columns c join pg_tables t on t.tablename = c.table_name and t.schemaname = 'public' where c.table_schema = 'public' and data_type in ('text', 'jsonb', 'bytea')"
            )
        ).ToList();
        async Task<List<string>> Found()
        {
            var found = new List<string>();
            foreach (var (table, column) in columns)
            {
                foreach (string mark in new[] { "zeferina", "quillfeather", Phone, Note })
                {
                    if (
                        await owner.ExecuteScalarAsync<bool>(
                            $"select exists (select from {table} where position(lower(@mark) in lower(case when pg_typeof({column}) = 'bytea'::regtype then encode({column}::text::bytea, 'escape') || encode(convert_to('', 'UTF8'), 'escape') else {column}::text end)) > 0)",
                            new { mark }
                        )
                    )
                    {
                        found.Add($"{table}.{column}");
                    }
                }
            }

            return [.. found.Distinct()];
        }

        var before = await Found();
        foreach (
            string column in new[]
            {
                "client.name",
                "client.email",
                "client.phone",
                "client.note",
                "prescription.names",
                "safety_event.says",
                "outcome_report.note",
                "kit_replacement.why",
                "client_way.reason",
                "draft.document",
                "message.body",
                "kit.cancelled_why",
                "trail.what",
            }
        )
        {
            Assert.Contains(column, before);
        }

        int events = await owner.ExecuteScalarAsync<int>("select count(*) from safety_event where client_id = @id", new { id });
        await colourist.Open($"/clients/{id}/data");
        await colourist.Send("form:has(#typed)", ("typed", "somebody else"));
        Assert.Contains("This is not the name", colourist.Text, StringComparison.Ordinal);
        await colourist.Send("form:has(#typed)", ("typed", Name));
        Assert.Equal("/clients", colourist.Address);

        Assert.Equal([], await Found());
        Assert.Equal(
            0,
            await owner.ExecuteScalarAsync<int>(
                "select (select count(*) from test_photo t join safety_event e on e.id = t.test_id where e.client_id = @id) + (select count(*) from answers where client_id = @id)",
                new { id }
            )
        );
        Assert.Equal(events, await owner.ExecuteScalarAsync<int>("select count(*) from safety_event where client_id = @id", new { id }));
        foreach (string path in new[] { $"/clients/{id}", $"/clients/{id}/prescription", $"/clients/{id}/data" })
        {
            Assert.Equal((path, HttpStatusCode.NotFound), (path, (await colourist.Open(path)).Status));
        }

        Assert.DoesNotContain(
            "Quillfeather",
            (await colourist.Open("/clients?find=zefer")).Find("main").InnerHtml.Replace("zefer", "", StringComparison.Ordinal),
            StringComparison.Ordinal
        );
        Assert.Contains("do not know this address", (await new Visitor(studio).Open(guide)).Text, StringComparison.Ordinal);
        foreach (string page in new[] { "/", "/week", "/outbox", "/ledger", "/bench", "/shelf/stock", "/house/trail" })
        {
            Assert.Equal((page, HttpStatusCode.OK), (page, (await colourist.Open(page)).Status));
        }

        // The record of safety is closed again.
        var refused = await Assert.ThrowsAsync<PostgresException>(() => owner.ExecuteAsync("update safety_event set says = 'x'"));
        Assert.Contains("only ever added to", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task While_a_kit_is_with_her_nobody_is_erased()
    {
        var (kit, _, colourist) = await studio.FreshKit("Wanda Underway");
        await colourist.Open($"/clients/{kit.ClientId}/data");
        await colourist.Send("form:has(#typed)", ("typed", "wanda underway"));
        Assert.Contains("see it through or call it off first", colourist.Text, StringComparison.Ordinal);
        Assert.NotNull(await studio.Clients.Get(kit.ClientId));
    }

    [Fact]
    public async Task All_that_is_kept_comes_in_one_file_without_a_secret_and_of_nobody_else()
    {
        var id = await studio.IdOf("Greta");
        using var http = studio.CreateClient();
        await Visitor.SignedIn(studio, http);
        using var zip = new ZipArchive(await http.GetStreamAsync($"/clients/{id}/data?handler=Everything"));
        var names = zip.Entries.Select(e => e.FullName).ToList();
        Assert.Contains("read-me.html", names);
        Assert.Contains("schemas/case-1.schema.json", names);
        Assert.Equal(ClientRights.Where.Count, names.Count(n => n.StartsWith("record/", StringComparison.Ordinal)));
        foreach (var entry in zip.Entries)
        {
            using var reader = new StreamReader(entry.Open());
            string text = await reader.ReadToEndAsync(TestContext.Current.CancellationToken);
            foreach (string other in new[] { "Maren Holtby", "Lotte Marsh", "token_hash", "CfDJ8" })
            {
                Assert.False(text.Contains(other, StringComparison.Ordinal), $"{entry.FullName} holds {other}");
            }

            if (entry.FullName.EndsWith(".json", StringComparison.Ordinal))
            {
                using var _ = JsonDocument.Parse(text);
            }

            if (entry.FullName == "read-me.html")
            {
                Assert.Contains("Greta Sandoval", text, StringComparison.Ordinal);
                Assert.Contains("Signed by Tove Marlin", text, StringComparison.Ordinal);
            }
        }
    }

    [Fact]
    public async Task Who_is_over_the_time_of_the_house_is_proposed_and_erased_when_ticked()
    {
        var owner = await Visitor.SignedIn(studio);
        await owner.Open("/clients/new");
        await owner.Send("main form", ("Name", "Long Gone"), ("BirthDate", "1970-01-01"));
        var id = await studio.IdOf("Long Gone");
        await using (var connection = await Owner())
        {
            await connection.ExecuteAsync("update client set created_at = now() - interval '6 years' where id = @id", new { id });
        }

        await owner.Open("/house/keep");
        Assert.Contains("keeps clients for ever", owner.Text, StringComparison.Ordinal);
        await owner.Open("/house");
        await owner.Send("main form", ("KeepYears", "2.5"));
        Assert.Contains("A whole number, 0 to 30", owner.Text, StringComparison.Ordinal);
        await owner.Send("main form", ("KeepYears", "5"));
        await owner.Open("/house/keep");
        Assert.Equal("Long Gone", Assert.Single(owner.FindAll(".keep-line label")).FirstChild!.NextSibling!.TextContent);
        await owner.Send("main form");
        Assert.Contains("1 erased", owner.Text, StringComparison.Ordinal);
        Assert.Null(await studio.Clients.Get(id));
    }
}
