using Incisura.Core.Holes;
using Incisura.Core.Holes.Kinds;
namespace Incisura.Core.HoleGroups;

/// <summary>
/// Shortens an open way through holes that starts where it starts: pieces are turned round (2-opt; Croes 1958) and moved elsewhere
/// (Or 1976), each hole with its nearest neighbours only, until nothing gets shorter.
/// </summary>
internal static class TourImprover
{
    private const int Neighbours = 8, LongestPiece = 3;

    // Kicks once nothing gets shorter, for each hole and at least, and the longest piece a kick changes about.
    private const int Kicks = 2, LeastKicks = 1000, LongestKick = 30;

    // Less than this, mm, is not worth a change; it also ends the search in spite of rounding.
    private const double Gain = 1e-7;

    /// <summary>The way shortened.</summary>
    /// <param name="positions">Where the holes are.</param>
    /// <param name="order">A way through all of them.</param>
    public static int[] Improve(IReadOnlyList<Position> positions, int[] order)
    {
        Tour tour = new([.. positions], [.. order]);
        tour.Settle();

        // Two neighbouring pieces are changed about, what was touched is shortened again, and a way that got no shorter is taken back
        // (iterated local search; Martin, Otto and Felten 1991). The kicks are drawn from a fixed seed: the same holes give the same way.
        if (order.Length < 5) return tour.Order;
        Random random = new(order.Length);
        for (int kick = 0; kick < Math.Max(LeastKicks, Kicks * order.Length); kick++) tour.Kick(random);
        return tour.Order;
    }

    private sealed class Tour
    {
        private readonly Position[] at;
        private readonly int[] place, saved;
        private readonly int[][] near;
        private readonly Queue<int> touched = new();
        private readonly bool[] waiting;

        // How much shorter the way has become since it was saved, and between which places it was changed.
        private double gained;
        private int changedFrom, changedTo;

        public Tour(Position[] positions, int[] order)
        {
            (at, Order, place, saved, waiting) = (positions, order, new int[order.Length], new int[order.Length], new bool[order.Length]);
            Renumber(0, Last);
            near = NearestOf(positions);
        }

        public int[] Order { get; }

        private int Last => Order.Length - 1;

        /// <summary>Shortens until nothing gets shorter.</summary>
        public void Settle()
        {
            for (int hole = 0; hole < Order.Length; hole++) Touch(hole);
            Work();
        }

        /// <summary>Changes two neighbouring pieces about, shortens again, and takes everything back unless the way got shorter.</summary>
        public void Kick(Random random)
        {
            int from = 1 + random.Next(Last - 1), middle = from + random.Next(Math.Min(LongestKick, Last - from)),
                to = Math.Min(Last, middle + 1 + random.Next(LongestKick));
            Array.Copy(Order, saved, Order.Length);
            (gained, changedFrom, changedTo) = (0, Last, 0);
            Put(from, middle, to, turned: false);
            Work();
            if (gained > Gain) return;
            Array.Copy(saved, changedFrom, Order, changedFrom, changedTo - changedFrom + 1);
            Renumber(changedFrom, changedTo);
        }

        private void Touch(int hole)
        {
            if (waiting[hole]) return;
            waiting[hole] = true;
            touched.Enqueue(hole);
        }

        private void Work()
        {
            while (touched.TryDequeue(out int hole))
            {
                waiting[hole] = false;
                while (Turn(hole) || Move(hole))
                {
                }
            }
        }

        // The leg after a hole and that after a near one are replaced by turning round what lies between; behind the end there is no leg.
        private bool Turn(int hole)
        {
            int i = place[hole];
            double reach = LongerLeg(i);
            foreach (int other in near[hole])
            {
                if (at[hole].To(at[other]) >= reach) break;
                int j = place[other], low = Math.Min(i, j), high = Math.Max(i, j);
                if (Try(low + 1, high) || Try(low, high - 1)) return true;
            }

            return i < Last && Try(i + 1, Last);
        }

        // Up to three holes in a row are set between two that lie near, with the hole next to the near one.
        private bool Move(int hole)
        {
            int i = place[hole];
            double reach = LongerLeg(i);
            foreach (int other in near[hole])
            {
                if (at[hole].To(at[other]) >= reach) break;
                int j = place[other];
                for (int length = 1; length <= LongestPiece; length++)
                {
                    if (Shift(i, i + length - 1, j, turned: false) || Shift(i, i + length - 1, j - 1, turned: true)) return true;
                    if (length > 1 && (Shift(i - length + 1, i, j - 1, turned: false) || Shift(i - length + 1, i, j, turned: true))) return true;
                }
            }

            return false;
        }

        // A new leg from a hole is only worth it where it is shorter than one of its two.
        private double LongerLeg(int index) => Math.Max(index > 0 ? Leg(index - 1, index) : 0, Leg(index, index + 1));

        private Position At(int index) => at[Order[index]];

        private double Leg(int from, int to) => to > Last ? 0 : At(from).To(At(to));

        private bool Try(int from, int to)
        {
            if (from >= to || from < 1) return false;
            double gain = Leg(from - 1, from) + Leg(to, to + 1) - At(from - 1).To(At(to)) - (to < Last ? At(from).To(At(to + 1)) : 0);
            if (gain <= Gain) return false;
            Array.Reverse(Order, from, to - from + 1);
            Changed(from, to, gain);
            return true;
        }

        private bool Shift(int from, int to, int behind, bool turned)
        {
            if (from < 1 || to > Last || behind < 0 || (behind >= from - 1 && behind <= to)) return false;
            return GainOf(from, to, behind, turned) > Gain && Put(from, to, behind, turned);
        }

        // What is saved by taking a piece out and setting it in behind a place, turned round or not.
        private double GainOf(int from, int to, int behind, bool turned)
        {
            (Position first, Position last) = turned ? (At(to), At(from)) : (At(from), At(to));
            double taken = Leg(from - 1, from) + Leg(to, to + 1) - (to < Last ? At(from - 1).To(At(to + 1)) : 0);
            return taken + Leg(behind, behind + 1) - At(behind).To(first) - (behind < Last ? last.To(At(behind + 1)) : 0);
        }

        private bool Put(int from, int to, int behind, bool turned)
        {
            double gain = GainOf(from, to, behind, turned);
            int[] piece = Order[from..(to + 1)];
            if (turned) Array.Reverse(piece);
            int length = piece.Length;
            if (behind > to)
            {
                Array.Copy(Order, to + 1, Order, from, behind - to);
                Array.Copy(piece, 0, Order, behind - length + 1, length);
                Changed(from, behind, gain);
                Touch(Order[behind - length]);
            }
            else
            {
                Array.Copy(Order, behind + 1, Order, behind + 1 + length, from - behind - 1);
                Array.Copy(piece, 0, Order, behind + 1, length);
                Changed(behind + 1, to, gain);
                Touch(Order[behind + 1 + length]);
            }

            Touch(piece[0]);
            Touch(piece[^1]);
            return true;
        }

        private void Changed(int from, int to, double gain)
        {
            gained += gain;
            (changedFrom, changedTo) = (Math.Min(changedFrom, from), Math.Max(changedTo, to));
            Renumber(from, to);
            Touch(Order[from - 1]);
            Touch(Order[from]);
            Touch(Order[to]);
            if (to < Last) Touch(Order[to + 1]);
        }

        private void Renumber(int from, int to)
        {
            for (int i = from; i <= to; i++) place[Order[i]] = i;
        }

        private static int[][] NearestOf(Position[] at)
        {
            int count = Math.Min(Neighbours, at.Length - 1);
            int[][] near = new int[at.Length][];
            double[] distance = new double[at.Length];
            for (int i = 0; i < at.Length; i++)
            {
                for (int j = 0; j < at.Length; j++) distance[j] = j == i ? double.PositiveInfinity : Square(at[i], at[j]);
                near[i] = Least(distance, count);
            }

            return near;
        }

        // The few least of many, in their order, without sorting all.
        private static int[] Least(double[] distance, int count)
        {
            int[] least = new int[count];
            int held = 0;
            for (int hole = 0; hole < distance.Length; hole++)
            {
                if (held == count && distance[hole] >= distance[least[held - 1]]) continue;
                int to = held < count ? held++ : held - 1;
                while (to > 0 && distance[least[to - 1]] > distance[hole]) (least[to], to) = (least[to - 1], to - 1);
                least[to] = hole;
            }

            return least;
        }

        private static double Square(Position a, Position b) => ((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y));
    }
}
