using Kitto.Core.Contract;
using Kitto.Core.Picture;

namespace Kitto.Store;

/// <summary>What was signed of what a picture measured.</summary>
/// <param name="PictureId">The picture.</param>
/// <param name="Value">Which value.</param>
/// <param name="Measured">As measured.</param>
/// <param name="Low">Its band.</param>
/// <param name="High">Its band.</param>
/// <param name="Used">What was signed.</param>
public sealed record KeptPair(Guid PictureId, string Value, double Measured, double Low, double High, double Used)
{
    /// <summary>As it is reckoned with.</summary>
    public PicturePair Pair => new(Json.Named<PictureValue>(Value)!.Value, new Measured(Measured, Low, High), Used);
}

/// <summary>What colourists took of pictures or corrected. A pair names nobody: it stays when the picture goes.</summary>
public sealed class PicturePairs(Database db)
{
    /// <summary>Keeps pairs; a picture's value is paired once, with what was signed first.</summary>
    public Task<int> Keep(IEnumerable<KeptPair> pairs, DateTime at) =>
        db.Run(
            "insert into picture_pair (picture_id, value, measured, low, high, used, signed_at) values (@PictureId, @Value, @Measured, @Low, @High, @Used, @at) on conflict do nothing",
            pairs
                .Select(p => new
                {
                    p.PictureId,
                    p.Value,
                    p.Measured,
                    p.Low,
                    p.High,
                    p.Used,
                    at,
                })
                .ToList()
        );

    /// <summary>The studio's, the newest first, of each value as many as are looked at.</summary>
    public Task<IReadOnlyList<KeptPair>> Latest() =>
        db.List<KeptPair>(
            """
            select x.picture_id, v.value, x.measured, x.low, x.high, x.used from (values ('regrowth'), ('white')) v (value)
            cross join lateral (select * from picture_pair p where p.value = v.value order by p.signed_at desc, p.picture_id limit @Latest) x
            """,
            new { StudioBias.Latest }
        );

    /// <summary>Those of some pictures.</summary>
    public async Task<ILookup<Guid, KeptPair>> Of(IEnumerable<Guid> pictures) =>
        (
            await db.List<KeptPair>(
                "select picture_id, value, measured, low, high, used from picture_pair where picture_id = any(@pictures)",
                new { pictures = pictures.ToArray() }
            )
        ).ToLookup(p => p.PictureId);

    /// <summary>What is corrected in this studio, by value; empty where it is switched off.</summary>
    public async Task<IReadOnlyDictionary<PictureValue, StudioBias>> Corrections(Studio studio) =>
        studio.PicturesCorrected ? Biases(await Latest()) : new Dictionary<PictureValue, StudioBias>();

    /// <summary>How the studio reads beside its pictures, by value.</summary>
    public static IReadOnlyDictionary<PictureValue, StudioBias> Biases(IReadOnlyList<KeptPair> pairs) =>
        Enum.GetValues<PictureValue>().Select(v => StudioBias.Of(v, pairs.Select(p => p.Pair))).OfType<StudioBias>().ToDictionary(b => b.Value);
}
