using Kitto.Core.Clock;
using Kitto.Core.Trade;

namespace Kitto.Core.Safety;

/// <summary>Which group of Today a kit belongs to, by what it asks of the studio.</summary>
public enum KitPlace
{
    /// <summary>A stop holds for it.</summary>
    Stopped,

    /// <summary>Its report is to be read.</summary>
    Report,

    /// <summary>It is to be packed or posted.</summary>
    Bench,

    /// <summary>Its colour day is over, and nothing was heard of it for longer than a report takes.</summary>
    Overdue,

    /// <summary>It is at the client's, and a test holds it.</summary>
    Held,

    /// <summary>It is at the client's, and nothing holds it.</summary>
    UnderWay,
}

/// <summary>Where a kit stands for the studio, and how long that stays so by itself.</summary>
public static class KitPlaces
{
    /// <summary>The group of Today it belongs to; null: nobody has to see to it.</summary>
    /// <param name="step">Where it is.</param>
    /// <param name="verdict">What the gate says.</param>
    /// <param name="colourOn">Its colour day; null: none was planned.</param>
    /// <param name="unread">Whether a report of it waits to be read.</param>
    /// <param name="today">The day in the studio.</param>
    public static KitPlace? Of(KitStep step, Verdict verdict, DateOnly? colourOn, bool unread, DateOnly today) =>
        step switch
        {
            KitStep.Closed => null,
            KitStep.Stopped => KitPlace.Stopped,
            KitStep.Reported when !unread => null,
            _ when !verdict.MayGoOn => KitPlace.Stopped,
            KitStep.Reported => KitPlace.Report,
            KitStep.Signed or KitStep.Packed => KitPlace.Bench,
            _ when colourOn?.AddDays(Values.ReportDays) < today => KitPlace.Overdue,
            _ => verdict.ShowsSteps ? KitPlace.UnderWay : KitPlace.Held,
        };

    /// <summary>The next moment at which something may stand otherwise with nobody saying anything: a test has had its hours or grows too old, a run lapses, a day is over.</summary>
    /// <param name="verdict">What the gate says now.</param>
    /// <param name="kit">The kit.</param>
    /// <param name="run">What happened on the head.</param>
    /// <param name="now">Now, UTC.</param>
    /// <param name="tomorrow">When the next day begins in the studio, UTC.</param>
    public static DateTime LookAt(Verdict verdict, GateKit kit, RunState run, DateTime now, DateTime tomorrow)
    {
        var found = tomorrow;
        void Until(DateTime? at)
        {
            if (at > now && at < found)
            {
                found = at.Value;
            }
        }

        foreach (var skin in verdict.Tests.Skin)
        {
            Until(skin.ReadyAt);
            Until(skin.On?.At.AddDays(kit.SkinDays).AddTicks(1));
        }

        if (run.EndedAt is null)
        {
            Until(run.BegunAt);
            Until(run.FirstStroke);
            Until(run.HeardAt?.AddHours(Values.RunLapsesHours));
        }

        return found;
    }
}
