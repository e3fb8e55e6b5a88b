using Kitto.Core;
using Kitto.Core.Safety;
using Kitto.Core.Trade;
using Kitto.Web.Guides;

namespace Kitto.Web.Pages.ClientGuide;

/// <summary>Where a client is: what fits what was said, and when.</summary>
public sealed partial class GuideModel
{
    /// <summary>Where the colour most likely is, if something is felt now.</summary>
    public FeltWhen Felt
    {
        get
        {
            var now = clock.GetUtcNow().UtcDateTime;
            return Open switch
            {
                null => FeltWhen.Later,
                { Verdict.OnHead: true } => FeltWhen.OnHead,
                { Run: { FirstStroke: not null, EndedAt: { } ended } } when now < ended.AddHours(Values.RunLapsesHours) => FeltWhen.Rinsed,
                { Run.FirstStroke: not null } => FeltWhen.Later,
                { } open when open.Tests.Skin.Any(s => s.On is not null && s.Stage is not SkinStage.Clear) || Part == "tests" => FeltWhen.SkinTest,
                _ => FeltWhen.OnHead,
            };
        }
    }

    /// <summary>What the stop page has to say: it fits what was said, and when.</summary>
    public StopPage Stopped
    {
        get
        {
            var told = Open!.Record.Stops.LastOrDefault();
            bool test = told is { Kind: SafetyKind.Reaction, Of: { } of } && Open.Record.Events.Any(e => e.Id == of && e.Kind == SafetyKind.SkinOn);
            return new StopPage(
                Open.Run.FirstStroke is null && (test || told?.Kind == SafetyKind.Reaction) ? FeltWhen.SkinTest
                    : Felt == FeltWhen.Rinsed ? FeltWhen.Rinsed
                    : FeltWhen.Later,
                Ambulance,
                told?.SaidAt,
                Open.Studio
            );
        }
    }

    /// <summary>The panel of the stop button.</summary>
    public ReactionPanel Panel => new(Token, NextId, Part == "stopped" || (Open is null && Reacted), Felt, Ambulance);

    /// <summary>The colour day, where it has passed and nothing was coloured; null otherwise.</summary>
    public DateOnly? DayPassed =>
        Open is { Outcome: null, Run.BegunAt: null, Kit: { PostedAt: not null, ColourOn: { } day } } && day < Today && Part is "reading" or "tests"
            ? day
            : null;

    /// <summary>Whether the box should have arrived, and nothing was seen of it.</summary>
    public bool BoxIsLate => Open is { Kit: { PostedAt: not null, ArrivesOn: { } there } } open && there < Today && open.Tests.Skin.All(s => s.On is null);

    /// <summary>The last day on which what was filled can be used (BE5); null where the day of filling is not known.</summary>
    public DateOnly? UseBy => Open?.Kit.FillOn?.AddDays(Values.ShelfLifeDays);
}
