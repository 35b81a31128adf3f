namespace Incisura.Core.Calculation;

/// <summary>Searches along one value.</summary>
public static class Search
{
    /// <summary>How finely a value is found, as a share of the upper end.</summary>
    public const double Resolution = 1e-8;

    /// <summary>
    /// Largest value of a range up to which a condition holds; NaN when even the least fails. Loads do not always rise evenly, so
    /// the range is walked in steps to the first failure, which is then closed in on.
    /// </summary>
    /// <param name="least">Lower end, above 0.</param>
    /// <param name="most">Upper end.</param>
    /// <param name="holds">The condition.</param>
    public static double LargestWithin(double least, double most, Func<double, bool> holds)
    {
        const int steps = 16;
        if (!holds(least)) return double.NaN;
        double inside = least, outside = double.NaN;
        for (int i = 1; i <= steps && double.IsNaN(outside); i++)
        {
            double at = i == steps ? most : least + ((most - least) * i / steps);
            if (holds(at)) inside = at;
            else outside = at;
        }

        if (double.IsNaN(outside)) return most;
        while (outside - inside > Resolution * most)
        {
            double middle = (inside + outside) / 2;
            if (holds(middle)) inside = middle;
            else outside = middle;
        }

        return inside;
    }
}
