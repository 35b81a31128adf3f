namespace Incisura.Core.Holes;

/// <summary>
/// How a depth is divided into pecks: the first, each further one smaller by a ratio, none below the least. A rest that would be a
/// shaving is shared with the peck before it, so that no peck is larger than its turn allows and all of them sum to the depth.
/// </summary>
/// <param name="First">First peck q_1, mm, above 0.</param>
/// <param name="Ratio">Ratio k_q of each peck to the one before, above 0 up to 1.</param>
/// <param name="Least">Least peck q_min, mm, above 0 up to the first.</param>
/// <param name="Total">Depth in all, mm, above 0.</param>
public readonly record struct PeckSchedule(double First, double Ratio, double Least, double Total)
{
    /// <summary>Pecks beyond this number are refused.</summary>
    public const int Most = 500;

    /// <summary>Number of pecks; one more than <see cref="Most"/> where there would be more.</summary>
    public int Count
    {
        get
        {
            int count = 0;
            foreach (double _ in this)
                if (++count > Most) break;
            return count;
        }
    }

    /// <summary>Walks the depths reached, the last of which is the whole depth.</summary>
    public Walk GetEnumerator() => new(this);

    /// <summary>Walks a schedule without allocating.</summary>
    public struct Walk
    {
        private readonly PeckSchedule schedule;
        private double next;
        private bool shared;

        internal Walk(PeckSchedule schedule)
        {
            this.schedule = schedule;
            next = schedule.First;
        }

        /// <summary>Depth reached by the peck, mm.</summary>
        public double Current { get; private set; }

        /// <summary>Depth reached by the peck before, mm.</summary>
        public double Before { get; private set; }

        /// <summary>Goes on to the next peck.</summary>
        public bool MoveNext()
        {
            double rest = schedule.Total - Current;
            if (rest <= 0) return false;
            Before = Current;
            if (shared || rest <= next * (1 + 1e-12)) Current = schedule.Total;
            else if (rest < next + (schedule.Least / 2))
            {
                Current += rest - Math.Min(Math.Max(schedule.Least, next * schedule.Ratio), rest / 2);
                shared = true;
            }
            else Current += next;

            next = Math.Max(schedule.Least, next * schedule.Ratio);
            return true;
        }
    }
}
