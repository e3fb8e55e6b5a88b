using Kitto.Store;

namespace Kitto.Web.Sittings;

/// <summary>A sitting as it stands: what was left in it, else what the record begins one with.</summary>
/// <param name="Values">What stands in the form.</param>
/// <param name="Mix">A mix made by hand; empty: the search's.</param>
/// <param name="Note">What is said of it.</param>
/// <param name="Drafted">Whether it was left and is taken up again.</param>
public sealed record Sitting(FormValues Values, string Mix, string? Note, bool Drafted)
{
    /// <summary>The sitting of one person with one client. A draft begun from an older reading is worth nothing.</summary>
    public static async Task<Sitting> Of(ClientRecord record, Drafts drafts, Guid person)
    {
        if (await drafts.Of(record.Client.Id, person) is { } draft && draft.BegunFrom == (record.Reading?.Version ?? 0))
        {
            return new Sitting(FormValues.Kept(draft.Document), draft.Mix, $"Taken up where you left it, {record.Studio.Local(draft.SavedAt):ddd HH:mm}", true);
        }

        return Begun(record);
    }

    /// <summary>A fresh one, from the record.</summary>
    public static Sitting Begun(ClientRecord record)
    {
        var (values, note) = SittingStart.Begin(record);
        return new Sitting(values, "", note, false);
    }
}
