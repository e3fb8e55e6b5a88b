using System.Text.Json;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Core.Picture;

namespace Kitto.Store;

/// <summary>A picture of a client's head, without the picture.</summary>
/// <param name="Id">Its id.</param>
/// <param name="ClientId">Whose head.</param>
/// <param name="Zone">Which zone it shows.</param>
/// <param name="TakenAt">When it was taken in, UTC.</param>
/// <param name="PrintMm">How long the bank card's outline came out of the printer, 75 to 95 mm; null: not looked at.</param>
/// <param name="Answer">What was measured, JSON.</param>
/// <param name="Kind">What it shows.</param>
/// <param name="KitId">The kit whose guide it came through; null: none.</param>
/// <param name="LinkId">The client's link it came through; null: the studio took it in.</param>
public sealed record HeadPicture(
    Guid Id,
    Guid ClientId,
    string Zone,
    DateTime TakenAt,
    double? PrintMm,
    string Answer,
    string Kind = "parting",
    Guid? KitId = null,
    Guid? LinkId = null
)
{
    /// <summary>What it shows.</summary>
    public PictureKind Of => Json.Named<PictureKind>(Kind)!.Value;

    private PictureAnswer? measured;

    /// <summary>What was measured.</summary>
    public PictureAnswer Measured => measured ??= JsonSerializer.Deserialize<PictureAnswer>(Answer, Json.Options)!;

    /// <summary>The zone it shows.</summary>
    public Zone Shows => Json.Named<Zone>(Zone)!.Value;
}

/// <summary>Pictures with the measuring card: kept encrypted, shown only to who may see what clients answer, gone with the client.</summary>
public sealed class PictureRecord(Database db)
{
    /// <summary>So many are kept of one client that the studio took in, and so many that the client sent; the oldest go first.</summary>
    public const int Most = 40;

    private const string Columns = "id, client_id, zone, taken_at, print_mm, answer::text as answer, kind, kit_id, link_id";

    /// <summary>A client's, the newest first.</summary>
    public Task<IReadOnlyList<HeadPicture>> Of(Guid clientId) =>
        db.List<HeadPicture>($"select {Columns} from picture where client_id = @clientId order by taken_at desc, id", new { clientId });

    /// <summary>The picture itself, as the application encrypted it; null: there is none of this client.</summary>
    public Task<byte[]?> Sealed(Guid clientId, Guid id) =>
        db.One<byte[]>("select sealed from picture where client_id = @clientId and id = @id", new { clientId, id });

    /// <summary>Pictures that came through a kit's guide, with their moments, the oldest first.</summary>
    public Task<IReadOnlyList<(Guid Id, DateTime At)>> OfKit(Guid kitId) =>
        db.List<(Guid, DateTime)>("select id, taken_at from picture where kit_id = @kitId order by taken_at, id", new { kitId });

    /// <summary>One of them, as the application encrypted it; null: there is none of this kit.</summary>
    public Task<byte[]?> SealedOfKit(Guid kitId, Guid id) => db.One<byte[]>("select sealed from picture where kit_id = @kitId and id = @id", new { kitId, id });

    /// <summary>
    /// Keeps one. What a client sent is kept once, and not when it was taken away while it was measured. What a client took again takes the place of what could not be measured; what a client sends never makes one of the studio's go.
    /// </summary>
    /// <param name="picture">What is known of it.</param>
    /// <param name="ciphertext">The picture, encrypted.</param>
    /// <param name="by">Who took it in; null: the client sent it.</param>
    public Task<int> Keep(HeadPicture picture, byte[] ciphertext, Guid? by) =>
        db.Run(
            """
            with came as (delete from picture_sending where id = @Id and client_id = @ClientId returning id),
            kept as (select 1 where @by::uuid is not null or exists (select from came)),
            again as (
                delete from picture where exists (select from kept)
                and client_id = @ClientId and link_id = @LinkId and kind = @Kind and zone = @Zone and answer->'reading'->>'refused' is not null
            )
            insert into picture (id, client_id, zone, taken_at, taken_by, print_mm, answer, sealed, kind, kit_id, link_id)
            select @Id, @ClientId, @Zone, @TakenAt, @by, @PrintMm, @Answer::jsonb, @ciphertext, @Kind, @KitId, @LinkId from kept on conflict (studio_id, id) do nothing;
            delete from picture where client_id = @ClientId and id in (
                select id from picture where client_id = @ClientId and (link_id is null) = (@LinkId::uuid is null) order by taken_at desc offset @Most)
            """,
            new
            {
                picture.Id,
                picture.ClientId,
                picture.Zone,
                picture.TakenAt,
                picture.PrintMm,
                picture.Answer,
                picture.Kind,
                picture.KitId,
                picture.LinkId,
                ciphertext,
                by,
                Most,
            }
        );

    /// <summary>Takes one away.</summary>
    public Task<int> Drop(Guid clientId, Guid id) => db.Run("delete from picture where client_id = @clientId and id = @id", new { clientId, id });

    /// <summary>Takes away one that came through a link or another of the same kit's, and what is still on its way of it.</summary>
    public Task<int> DropOfLink(Guid clientId, Guid linkId, Guid? kitId, Guid id) =>
        db.Run(
            """
            delete from picture_sending where client_id = @clientId and (link_id = @linkId or kit_id = @kitId) and id = @id;
            delete from picture where client_id = @clientId and (link_id = @linkId or kit_id = @kitId) and id = @id
            """,
            new
            {
                clientId,
                linkId,
                kitId,
                id,
            }
        );
}
