using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Kitto.Core.Clock;
using Kitto.Core.Trade;
using Kitto.Store;
using Microsoft.Extensions.Localization;

namespace Kitto.Web.Today;

/// <summary>Writes days as an iCalendar file (RFC 5545) that calendar programs read: one event for each thing to do, with its reminder.</summary>
public static class CalendarFile
{
    /// <summary>Hour of the studio's clock at which packing stands in the calendar.</summary>
    private const int PackHour = 9;
    private const int PostHour = 12;
    private const int TestHour = 18;
    private const int ColourHour = 10;

    /// <summary>The studio's days: what is packed and posted, whose day it is.</summary>
    public static string Studio(Studio studio, IEnumerable<DatedKit> kits, DateTime now)
    {
        var calendar = New(studio, $"{studio.Name}: kits", now);
        foreach (var kit in kits)
        {
            string whose = $"{kit.ClientName}, kit {kit.Number}";
            foreach (var (on, kind) in Days(kit))
            {
                Add(
                    calendar,
                    studio,
                    kit,
                    kind,
                    on.ToDateTime(Hour(kind), DateTimeKind.Unspecified),
                    Long(kind),
                    kind switch
                    {
                        DayKind.Pack => $"Pack: {whose}",
                        DayKind.Post => $"Post: {whose}",
                        DayKind.Arrives => $"Should arrive: {whose}",
                        DayKind.SkinTest => $"Skin test: {whose}",
                        DayKind.StrandTest => $"Strand test: {whose}",
                        DayKind.Colour => $"Colour day: {whose}",
                        DayKind.Report => $"Report due: {whose}",
                        DayKind.NextKit => $"Next kit due: {kit.ClientName}",
                        _ => throw new ArgumentOutOfRangeException(nameof(kits)),
                    },
                    "",
                    now,
                    kind is DayKind.Pack or DayKind.Post ? TimeSpan.FromMinutes(-30) : null
                );
            }
        }

        return Write(calendar);
    }

    /// <summary>One client's days: her tests, the look at the skin test, her colour day, each with a reminder.</summary>
    /// <param name="studio">The studio, whose clock the days go by.</param>
    /// <param name="kits">Her kits.</param>
    /// <param name="on">Skin tests that are on: when they were put on, by kit.</param>
    /// <param name="now">Now.</param>
    /// <param name="text">Words of the client's pages.</param>
    public static string Client(Studio studio, IEnumerable<DatedKit> kits, IReadOnlyDictionary<Guid, DateTime> on, DateTime now, IStringLocalizer text)
    {
        var calendar = New(studio, text["Your kit from {0}", studio.Name], now);
        foreach (var kit in kits)
        {
            foreach (var (day, kind) in Days(kit))
            {
                var at = day.ToDateTime(Hour(kind), DateTimeKind.Unspecified);
                switch (kind)
                {
                    case DayKind.SkinTest:
                        Say(
                            kit,
                            kind,
                            at,
                            TimeSpan.FromMinutes(45),
                            text["Skin test: put it on"],
                            text["Your guide shows you where and how. Wipe it off after {0} minutes.", Values.SkinTestOnMinutes],
                            TimeSpan.FromHours(-1)
                        );
                        Look(kit, studio.Utc(at));
                        break;
                    case DayKind.StrandTest:
                        Say(
                            kit,
                            kind,
                            at,
                            TimeSpan.FromHours(1.5),
                            text["Strand test"],
                            text["One hidden strand at the back. Your guide shows you how. Look at it in daylight."],
                            TimeSpan.FromHours(-1)
                        );
                        break;
                    case DayKind.Colour:
                        Say(
                            kit,
                            kind,
                            at,
                            TimeSpan.FromHours(2),
                            text["Colour day"],
                            text["Only if both tests are clear. Lay everything out before you mix."],
                            TimeSpan.FromHours(-16)
                        );
                        break;
                    case DayKind.Report:
                        Say(
                            kit,
                            kind,
                            at,
                            TimeSpan.FromMinutes(15),
                            text["How did it go?"],
                            text["Look at it dry and in daylight, then report it in your guide."],
                            TimeSpan.Zero
                        );
                        break;
                }
            }

            if (on.TryGetValue(kit.Id, out var applied))
            {
                Look(kit, applied);
            }
        }

        void Say(DatedKit kit, DayKind? kind, DateTime at, TimeSpan lasts, string summary, string says, TimeSpan remind) =>
            Add(calendar, studio, kit, kind, at, lasts, summary, says, now, remind);

        // Hours of the sun, not of the wall clock: over a change of the clocks the hour moves.
        void Look(DatedKit kit, DateTime put) =>
            Say(
                kit,
                null,
                studio.Local(put.AddHours(Values.SkinTestHours)),
                TimeSpan.FromMinutes(15),
                text["Skin test: look at the spot"],
                text["The {0} hours are over. Look at the spot, feel it and report it in your guide.", Values.SkinTestHours],
                TimeSpan.Zero
            );

        return Write(calendar);
    }

    /// <summary>What is still ahead; of a kit that was stopped or called off everything, so that it is called off in calendars that have it.</summary>
    private static IEnumerable<(DateOnly On, DayKind Kind)> Days(DatedKit kit) => kit.Off ? kit.Days.Ahead(KitStep.Signed, false) : kit.Ahead;

    private static Calendar New(Studio studio, string name, DateTime now)
    {
        var calendar = new Calendar { ProductId = "-//Kitto//Kits//EN", Method = "PUBLISH" };
        calendar.AddProperty("X-WR-CALNAME", name);
        calendar.AddProperty("REFRESH-INTERVAL;VALUE=DURATION", "PT6H");
        calendar.AddTimeZone(VTimeZone.FromDateTimeZone(studio.TimeZone, now.AddYears(-1), false));
        return calendar;
    }

    private static void Add(
        Calendar calendar,
        Studio studio,
        DatedKit kit,
        DayKind? kind,
        DateTime local,
        TimeSpan lasts,
        string summary,
        string says,
        DateTime now,
        TimeSpan? remind
    )
    {
        var happens = new CalendarEvent
        {
            // The same thing keeps its name for ever, so that a calendar changes it and does not add another.
            Uid = $"{kit.Id:N}-{(kind is { } k ? Words.Name(k) : "look")}@kitto",
            Sequence = kit.Version,
            Summary = summary,
            Description = says.Length > 0 ? says : null,
            Start = new CalDateTime(DateTime.SpecifyKind(local, DateTimeKind.Unspecified), studio.TimeZone),
            Duration = Duration.FromTimeSpanExact(lasts),
            DtStamp = new CalDateTime(DateTime.SpecifyKind(now, DateTimeKind.Utc)),
            Status = kit.Off ? EventStatus.Cancelled : EventStatus.Confirmed,
        };
        if (remind is { } before && !kit.Off)
        {
            happens.Alarms.Add(
                new Alarm
                {
                    Action = AlarmAction.Display,
                    Description = summary,
                    Trigger = new Trigger(Duration.FromTimeSpanExact(before)),
                }
            );
        }

        calendar.Events.Add(happens);
    }

    private static TimeOnly Hour(DayKind kind) =>
        new(
            kind switch
            {
                DayKind.Pack or DayKind.NextKit => PackHour,
                DayKind.Post or DayKind.Arrives => PostHour,
                DayKind.Colour or DayKind.Report => ColourHour,
                DayKind.SkinTest or DayKind.StrandTest => TestHour,
                _ => throw new ArgumentOutOfRangeException(nameof(kind)),
            },
            0
        );

    private static TimeSpan Long(DayKind kind) => kind == DayKind.Colour ? TimeSpan.FromHours(2) : TimeSpan.FromMinutes(30);

    private static string Write(Calendar calendar) =>
        new CalendarSerializer().SerializeToString(calendar) ?? throw new InvalidOperationException("The calendar could not be written.");
}
