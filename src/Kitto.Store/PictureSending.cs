using Dapper;

namespace Kitto.Store;

/// <summary>A picture on its way from a client's phone.</summary>
/// <param name="Id">Its id, made on the phone: sent again it goes on.</param>
/// <param name="ClientId">Whose head.</param>
/// <param name="KitId">The kit whose guide it comes through; null: the questions.</param>
/// <param name="LinkId">The link it comes through.</param>
/// <param name="Kind">What it shows.</param>
/// <param name="Zone">Which zone.</param>
/// <param name="PrintMm">How long the bank card's outline came out of the printer, 75 to 95 mm; null: not looked at.</param>
/// <param name="Size">Its whole size, bytes.</param>
public sealed record PictureOnItsWay(Guid Id, Guid ClientId, Guid? KitId, Guid LinkId, string Kind, string Zone, double? PrintMm, int Size);

/// <summary>How far a picture has come.</summary>
/// <param name="Came">Bytes that are there.</param>
/// <param name="Kept">Whether it is whole and kept already.</param>
/// <param name="Pieces">All of it, encrypted piece by piece, in order, once it is whole and not yet kept; null before.</param>
public sealed record PictureCame(int Came, bool Kept, IReadOnlyList<byte[]>? Pieces);

/// <summary>Takes pictures of clients in pieces, each encrypted, going on where they were cut off.</summary>
public sealed class PictureSending(Database db)
{
    /// <summary>So many pictures come through one link.</summary>
    public const int MostOfALink = 16;

    /// <summary>What is not whole is kept so long, days.</summary>
    private const int Days = 7;

    /// <summary>Takes a piece where it goes on from what is there.</summary>
    /// <param name="picture">What is on its way.</param>
    /// <param name="begins">Where the piece begins, bytes.</param>
    /// <param name="length">How long it is, bytes.</param>
    /// <param name="piece">The piece, encrypted.</param>
    /// <param name="at">Now, UTC.</param>
    /// <returns>How far it has come; null where no more are taken through this link, or the id is another's.</returns>
    public Task<PictureCame?> Take(PictureOnItsWay picture, int begins, int length, byte[] piece, DateTime at) =>
        db.Together(async connection =>
        {
            var with = new
            {
                picture.Id,
                picture.ClientId,
                picture.KitId,
                picture.LinkId,
                picture.Kind,
                picture.Zone,
                picture.PrintMm,
                picture.Size,
                begins,
                length,
                piece,
                at,
                MostOfALink,
                Days,
            };
            if (await connection.ExecuteScalarAsync<bool>("select exists (select from picture where id = @Id and client_id = @ClientId)", with))
            {
                return new PictureCame(picture.Size, true, null);
            }

            await connection.ExecuteAsync(
                """
                delete from picture_sending where client_id = @ClientId and id <> @Id and begun_at < @at - make_interval(days => @Days);
                insert into picture_sending (id, client_id, kit_id, link_id, kind, zone, print_mm, size, begun_at)
                select @Id, @ClientId, @KitId, @LinkId, @Kind, @Zone, @PrintMm, @Size, @at
                where (select count(*) from picture where client_id = @ClientId and link_id = @LinkId) + (select count(*) from picture_sending where client_id = @ClientId and link_id = @LinkId) < @MostOfALink
                on conflict (studio_id, id) do nothing
                """,
                with
            );
            await connection.ExecuteAsync(
                """
                with on_ as (
                    update picture_sending set came = came + @length
                    where id = @Id and client_id = @ClientId and size = @Size and came = @begins and came + @length <= size returning id, client_id
                )
                insert into picture_piece (id, client_id, begins, sealed) select id, client_id, @begins, @piece from on_
                """,
                with
            );
            if (
                await connection.ExecuteScalarAsync<int?>(
                    "select came from picture_sending where id = @Id and client_id = @ClientId and size = @Size for update",
                    with
                )
                is not { } came
            )
            {
                return null;
            }

            return new PictureCame(
                came,
                false,
                came < picture.Size ? null : [.. await connection.QueryAsync<byte[]>("select sealed from picture_piece where id = @Id order by begins", with)]
            );
        });

    /// <summary>It is no picture, or is not to be kept: what came of it goes.</summary>
    public Task<int> Drop(Guid clientId, Guid id) => db.Run("delete from picture_sending where client_id = @clientId and id = @id", new { clientId, id });
}
