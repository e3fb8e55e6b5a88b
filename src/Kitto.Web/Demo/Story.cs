using Kitto.Core.Contract;
using Kitto.Core.Head;

namespace Kitto.Web.Demo;

/// <summary>The demo's clients and what happened to their kits: one for every service, a stop, a salon case, held and overdue kits, reports. Their heads are the case/1 files of data/demo. Dates run from today.</summary>
internal sealed class Story(Acts acts)
{
    public async Task Tell(int hesk, int sarn, int brannoc, int town)
    {
        await acts.Stock();
        var sunniva = await acts.Add("Sunniva Aldergate", 47, hesk, "Two mirrors, steady hands. Temples never want to take.");
        await acts.Reported(await acts.Signed(sunniva, "sunniva", 75), 68, 19.5, "greyShows", note: "Temples showed after three weeks.");
        await acts.Reported(await acts.Signed(sunniva, "sunniva", 40), 33, 16, "full", seen: false, note: "Much better this time. Took me half an hour.");

        var maren = await acts.Add("Maren Holtby", 58, sarn, "Thick hair. Has run out twice.");
        await acts.Reported(await acts.Signed(maren, "maren", 90), 80, 0, "patchy", ranOut: true);
        await acts.Reported(await acts.Signed(maren, "maren", 52), 44, 0, "full", ranOut: true);
        var open = await acts.Signed(maren, "maren", 9, wantIn: 13, other: [(CaseFields.HandsPractised.Path, "true")]);
        await acts.Posted(open, 7);
        await acts.Skin(open, 4.2, "clear");
        await acts.Strand(open, 1.5);

        var ilse = await acts.Signed(await acts.Add("Ilse Brannigan", 39, brannoc, ""), "ilse", 0, wantIn: 20);
        await acts.Begun(ilse, 2, .05);
        await acts.Signed(await acts.Add("Freya Tolling", 52, town, "Comes with her sister, who paints the back.", spokenOf: "she"), "freya", 0.1, wantIn: 9);

        var petra = await acts.Signed(await acts.Add("Petra Quill", 31, town, "Wants shine for the harbour dance."), "petra", 1, wantIn: 12);
        await acts.Packed(petra, 0.2);

        var odile = await acts.Signed(await acts.Add("Odile Farrow", 44, hesk, "Pale highlighted lengths; keep root colour off them."), "odile", 8, wantIn: 14);
        await acts.Posted(odile, 6);
        await acts.Skin(odile, 2.3, null);

        var greta = await acts.Signed(await acts.Add("Greta Sandoval", 36, town, ""), "greta", 5, wantIn: 12);
        await acts.Posted(greta, 3);

        var bettany = await acts.Signed(await acts.Add("Bettany Crewe", 28, sarn, "Dark virgin roots against light brown."), "bettany", 6, wantIn: 13);
        await acts.Posted(bettany, 4);
        await acts.Skin(bettany, 0.6, null);

        var nuala = await acts.Add("Nuala Thorne", 62, brannoc, "Likes it soft; never full cover.");
        await acts.Reported(await acts.Signed(nuala, "nuala", 47), 38, 11, "full", seen: true);
        await acts.Pictured(nuala, "nuala", 0.2);

        await acts.Signed(await acts.Add("Ragnhild Moss", 33, town, "Asks for much lighter."), "ragnhild", 3);

        var tamsin = await acts.Signed(await acts.Add("Tamsin Wray", 41, hesk, ""), "tamsin", 7, wantIn: 12);
        await acts.Posted(tamsin, 5);
        await acts.Skin(tamsin, 2.6, "reacted");

        await acts.Signed(await acts.Add("Colette Imber", 66, sarn, "Used a comb-in darkener for years."), "colette", 10);
        await acts.Signed(await acts.Add("Yvaine Porter", 15, town, ""), "yvaine", 12);

        var wilma = await acts.Signed(await acts.Add("Wilma Strand", 53, brannoc, ""), "wilma", 24, wantIn: -3);
        await acts.Posted(wilma, 20);
        await acts.Skin(wilma, 16, "clear");
        await acts.Strand(wilma, 13);

        var edda = await acts.Signed(
            await acts.Add("Edda Fenwick", 50, hesk, "Coarse and thick; does one half a day.", spokenOf: "she"),
            "edda",
            21,
            wantIn: 3
        );
        await acts.Posted(edda, 19);
        await acts.Skin(edda, 16.5, "clear");
        await acts.Strand(edda, 13);

        var liv = await acts.Signed(await acts.Add("Liv Holmsund", 49, sarn, "Reads Norwegian; alone with two mirrors.", "nb", "they"), "liv", 9, wantIn: 6);
        await acts.Posted(liv, 7);
        await acts.Skin(liv, 4.5, "clear");
        await acts.Strand(liv, 2);

        var lotte = await acts.Add("Lotte Marsh", 45, sarn, "The back is done far less often than the front.");
        await acts.Keep(lotte, "lotte", 1);
        var hedy = await acts.Add("Hedy Larkspur", 38, hesk, "New; wrote last week.");
        var today = acts.Today;
        await acts.Tell(
            hedy,
            0.6,
            null,
            t =>
                t with
                {
                    Conditions = ["eczema"],
                    Other = "Allergic to nickel.",
                    PutOn =
                    [
                        Acts.Put(today.AddMonths(-14), Treatment.BoxDye),
                        Acts.Put(today.AddMonths(-4), Treatment.Highlights),
                        Acts.Put(today.AddYears(-9), Treatment.Henna),
                    ],
                }
        );
        await acts.Tell(nuala, 0.2, null, t => t with { NewMedicine = true });
    }
}
