using Kitto.Core;
using Kitto.Core.Contract;
using Kitto.Core.Head;
using Kitto.Web.Pictures;
using Kitto.Web.Sittings;

namespace Kitto.Web.Pages.Clients;

/// <summary>The head: as it is drawn, as pictures measured it, as it was last time.</summary>
public sealed partial class PrescriptionModel
{
    /// <summary>The last kit that was reported: what was prescribed on which head, and how it came out; null before the first.</summary>
    public Reported? LastTime => Record.Reported.FirstOrDefault(r => r.Prescribed.Formulas.Count > 0);

    /// <summary>What changed on her head since.</summary>
    public string ThenAndNow =>
        LastTime?.Head is { } then && Answer.Case?.Reading is { } now
            ? $"Then {then.MeanRegrowth.Value:0} mm and {then.DecisiveGrey} white, now {now.MeanRegrowth.Value:0} mm and {now.DecisiveGrey}."
            : "";

    /// <summary>Whole weeks since the colour went on, at least one.</summary>
    public int WeeksSince => LastTime is { } last ? Math.Clamp((int)Math.Round((Record.Today.DayNumber - last.Outcome.AppliedOn.DayNumber) / 7.0), 1, 16) : 4;

    /// <summary>What pictures that tell of the head now say, by zone.</summary>
    public IReadOnlyDictionary<Zone, Measures> Measured { get; private set; } = new Dictionary<Zone, Measures>();

    /// <summary>What they say of the whole head; null where there are none.</summary>
    public HeadMeasures? MeasuredHead { get; private set; }

    private async Task Measure()
    {
        var fresh = Measures.Fresh(await pictures.Of(Record.Client.Id), Record);
        if (fresh.Count > 0)
        {
            Measured = Measures.Newest(fresh, await pairs.Corrections(Record.Studio));
            MeasuredHead = HeadMeasures.Of(fresh, Measured.Values);
        }
    }

    /// <summary>The zones for the drawing, as far as they can be read.</summary>
    public IReadOnlyList<ZoneReading> Drawn() =>
        Answer.Case?.Reading.Zones
        ??
        [
            .. Enum.GetValues<Zone>()
                .Select(z =>
                {
                    string Typed(CaseField field) => Values[CaseDocument.In(z, field)];
                    double Read(NumberField field) => TypedNumber.Read(Typed(field), field) ?? 0;
                    return new ZoneReading(
                        Millimetres.Of(Read(CaseFields.ZoneRegrowthMm)),
                        Share.Of(Read(CaseFields.ZoneGreyPercent) / 100),
                        Typed(CaseFields.ZoneResistant) == "true",
                        Texture.Medium,
                        Typed(CaseFields.ZoneInclude) != "false"
                    );
                }),
        ];
}
