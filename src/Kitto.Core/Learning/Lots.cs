namespace Kitto.Core.Learning;

/// <summary>Lots drawn from a seed: the same seed draws the same, on every machine. SplitMix64 (Steele, Lea and Flood 2014; from memory).</summary>
internal sealed class Lots(long seed)
{
    private ulong state = (ulong)seed;

    private ulong Next()
    {
        state += 0x9E3779B97F4A7C15;
        ulong z = state;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return z ^ (z >> 31);
    }

    /// <summary>A whole number, both ends included.</summary>
    public int Between(int least, int most) => least + (int)(Next() % (ulong)(most - least + 1));

    /// <summary>True once in so many.</summary>
    public bool OneIn(int many) => Between(1, many) == 1;

    /// <summary>The same ones in another order (Fisher and Yates 1938).</summary>
    public IReadOnlyList<T> Shuffled<T>(IReadOnlyList<T> some)
    {
        T[] all = [.. some];
        for (int i = all.Length - 1; i > 0; i--)
        {
            int other = Between(0, i);
            (all[i], all[other]) = (all[other], all[i]);
        }

        return all;
    }

    /// <summary>One of some.</summary>
    public T Of<T>(params IReadOnlyList<T> some) => some[Between(0, some.Count - 1)];
}
