namespace Kitto.Core.Packing;

/// <summary>Works through the lines of the bench's record.</summary>
internal sealed class PackingFold(PackingPlan plan)
{
    private readonly Dictionary<string, double> factors = plan.Vessels.Select(v => v.Group).Distinct().ToDictionary(g => g, _ => 1.0);
    private readonly Dictionary<(string Vessel, string Item), List<PackingEvent>> pours = plan
        .Vessels.SelectMany(v => v.Parts.Select(p => (v.Key, p.Item)))
        .ToDictionary(k => k, _ => new List<PackingEvent>());
    private readonly HashSet<(string Vessel, string Item)> taken = [],
        over = [];
    private readonly Dictionary<string, PackingEvent> last = [];
    private readonly Dictionary<string, string> excused = [];
    private readonly HashSet<string> labelled = [];
    private readonly Dictionary<string, decimal> lost = [];
    private readonly Dictionary<Guid, TubeUse> tubes = [];
    private PackingEvent? agreed;

    /// <summary>The lines that hold: what was undone is left out, what was moved stands where it belongs.</summary>
    public static IEnumerable<PackingEvent> Holding(IReadOnlyList<PackingEvent> all)
    {
        var undone = new HashSet<Guid>();
        var moved = new Dictionary<Guid, PackingEvent>();
        // From the end: what undoes may itself be undone.
        foreach (var e in all.Reverse().Where(e => e.Of is not null && !undone.Contains(e.Id)))
        {
            if (e.Kind == PackingKind.Undone)
            {
                undone.Add(e.Of!.Value);
            }
            else if (e.Kind == PackingKind.Moved)
            {
                moved.TryAdd(e.Of!.Value, e);
            }
        }

        return all.Where(e => e.Kind is not (PackingKind.Undone or PackingKind.Moved) && !undone.Contains(e.Id))
            .Select(e => moved.TryGetValue(e.Id, out var to) && !undone.Contains(to.Id) ? e with { Vessel = to.Vessel, Item = to.Item, Tube = to.Tube } : e);
    }

    /// <summary>Takes one line.</summary>
    public void Take(PackingEvent e)
    {
        if (e.Kind == PackingKind.Agreed)
        {
            agreed = e;
            return;
        }

        if (plan.Find(e.Vessel) is not { } vessel)
        {
            return;
        }

        last[vessel.Key] = e;
        // A yes was said to what was there then.
        agreed = e.Kind is PackingKind.Labelled ? agreed : null;
        switch (e.Kind)
        {
            case PackingKind.Poured when pours.TryGetValue((vessel.Key, e.Item), out var list):
                list.Add(e);
                Use(e.Tube, e.Grams, 0);
                excused.Remove(vessel.Key);
                // Opened again, where others were raised: its label says other grams.
                labelled.Remove(vessel.Key);
                Follow(vessel, e.Item);
                break;
            case PackingKind.Raised when Part(vessel, e.Item) is { } part:
                over.Remove((vessel.Key, e.Item));
                factors[vessel.Group] = part.FactorOf((double)Poured(vessel, e.Item));
                break;
            case PackingKind.Taken:
                over.Remove((vessel.Key, e.Item));
                taken.Add((vessel.Key, e.Item));
                break;
            case PackingKind.Smaller:
                factors[vessel.Group] = e.Factor;
                break;
            case PackingKind.Dropped:
                Drop(vessel);
                break;
            case PackingKind.Labelled:
                labelled.Add(vessel.Key);
                break;
            case PackingKind.Excused:
                excused[vessel.Key] = e.Says;
                break;
        }

        Blends();
    }

    /// <summary>The kit as it stands.</summary>
    public PackingStand Stand() =>
        new(
            plan,
            [
                .. plan.Vessels.Select(v => new VesselStand(
                    v,
                    [.. v.Parts.Select(p => Of(v, p))],
                    labelled.Contains(v.Key),
                    excused.GetValueOrDefault(v.Key),
                    lost.GetValueOrDefault(v.Key),
                    last.GetValueOrDefault(v.Key)
                )),
            ],
            factors,
            agreed,
            tubes
        );

    private PartStand Of(Vessel vessel, VesselPart part)
    {
        double target = part.Target(factors[vessel.Group]),
            band = plan.Band(target);
        decimal poured = Poured(vessel, part.Item);
        var key = (vessel.Key, part.Item);
        var state =
            taken.Contains(key) ? PartState.Taken
            : over.Contains(key) || (double)poured > target + band + 1e-9 ? PartState.Over
            : (double)poured >= target - band - 1e-9 ? PartState.Right
            : poured > 0 ? PartState.Under
            : PartState.Waits;
        return new PartStand(part, poured, target, band, state, pours[key]);
    }

    /// <summary>After a pour: too much waits for a decision; enough moves the targets of what follows, as long as what is in stays right (BE2).</summary>
    private void Follow(Vessel vessel, string item)
    {
        var now = Of(vessel, Part(vessel, item)!);
        if (now.State == PartState.Over)
        {
            over.Add((vessel.Key, item));
        }

        if (now.State != PartState.Right)
        {
            return;
        }

        var done = plan
            .Vessels.Where(v => v.Group == vessel.Group)
            .SelectMany(v => v.Parts.Select(p => (Vessel: v, Stand: Of(v, p))))
            .Where(p => p.Stand.State == PartState.Right)
            .ToList();
        double factor = done.Sum(p => p.Stand.OnHead) / done.Sum(p => p.Stand.Part.OnHead.Value);
        if (done.All(p => Math.Abs(p.Stand.Part.Target(factor) - (double)p.Stand.Poured) <= plan.Band(p.Stand.Part.Target(factor)) + 1e-9))
        {
            factors[vessel.Group] = factor;
        }
    }

    /// <summary>What was in it is lost; the others of its group say what it is filled to again.</summary>
    private void Drop(Vessel vessel)
    {
        lost[vessel.Key] = lost.GetValueOrDefault(vessel.Key) + vessel.Parts.Sum(p => Poured(vessel, p.Item));
        foreach (var part in vessel.Parts)
        {
            // What was taken of a blend came, by its share, from every tube of it.
            var from = part.From is null ? pours[(vessel.Key, part.Item)] : plan.Find(part.From)!.Parts.SelectMany(p => pours[(part.From, p.Item)]);
            foreach (var (tube, grams) in ByTube(from, Poured(vessel, part.Item)))
            {
                Use(tube, 0, grams);
            }

            pours[(vessel.Key, part.Item)].Clear();
            taken.Remove((vessel.Key, part.Item));
            over.Remove((vessel.Key, part.Item));
        }

        labelled.Remove(vessel.Key);
        excused.Remove(vessel.Key);
        var others = plan
            .Vessels.Where(v => v.Group == vessel.Group && v != vessel)
            .SelectMany(v => v.Parts.Where(p => Poured(v, p.Item) > 0).Select(p => p.FactorOf((double)Poured(v, p.Item))))
            .ToList();
        factors[vessel.Group] = others.Count == 0 ? 1 : others.Max();
    }

    /// <summary>A blend must hold what is taken of it: where a pair was raised, or a sachet dropped, more of it is weighed, in its own proportions.</summary>
    private void Blends()
    {
        foreach (var blend in plan.Vessels.Where(v => v.IsBlend))
        {
            var takers = plan
                .Vessels.Where(v => !excused.ContainsKey(v.Key))
                .SelectMany(v => v.Parts.Where(p => p.From == blend.Key).Select(p => Of(v, p)))
                .ToList();
            double gone = (double)plan.Vessels.Where(v => v.Parts.Any(p => p.From == blend.Key)).Sum(v => lost.GetValueOrDefault(v.Key));
            double need = gone + takers.Sum(p => p.Done ? (double)p.Poured : Math.Max((double)p.Poured, p.Target)),
                there = blend.Parts.Sum(p => p.Target(factors[blend.Group]));
            // What the last sachet lacks by a step of the scale is no reason to weigh again.
            if (takers.Any(p => !p.Done) && need > there + takers.Sum(p => p.Band) + 1e-9)
            {
                factors[blend.Group] *= need / there;
            }
        }
    }

    /// <summary>So many grams by the tubes they came from, to the hundredth; what came from none that is known is left out.</summary>
    public static IReadOnlyList<(Guid Tube, decimal Grams)> ByTube(IEnumerable<PackingEvent> from, decimal grams)
    {
        var all = from.GroupBy(e => e.Tube).Select(g => (Tube: g.Key, Grams: g.Sum(e => e.Grams))).ToList();
        decimal sum = all.Sum(a => a.Grams),
            given = 0,
            seen = 0;
        var shares = new List<(Guid, decimal)>();
        foreach (var (tube, own) in all)
        {
            seen += own;
            decimal share = Math.Round(grams * seen / sum, 2) - given;
            given += share;
            if (tube is { } known && share != 0)
            {
                shares.Add((known, share));
            }
        }

        return shares;
    }

    private void Use(Guid? tube, decimal poured, decimal gone)
    {
        if (tube is { } known)
        {
            var now = tubes.GetValueOrDefault(known);
            tubes[known] = new TubeUse(now.Poured + poured, now.Lost + gone);
        }
    }

    private decimal Poured(Vessel vessel, string item) => pours[(vessel.Key, item)].Sum(e => e.Grams);

    private static VesselPart? Part(Vessel vessel, string item) => vessel.Parts.FirstOrDefault(p => p.Item == item);
}
