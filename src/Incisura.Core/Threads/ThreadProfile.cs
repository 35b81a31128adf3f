namespace Incisura.Core.Threads;

/// <summary>A point of a profile in the plane of the axis.</summary>
/// <param name="Z">Along the axis, mm.</param>
/// <param name="R">From the axis, mm.</param>
public readonly record struct ProfilePoint(double Z, double R);

/// <summary>The profile of a thread in true proportion, as lines and rounded corners.</summary>
public static class ThreadProfile
{
    private const int ArcPoints = 8;

    /// <summary>The outline of the external thread over some pitches, from left to right.</summary>
    /// <param name="t">The thread.</param>
    /// <param name="s">Its dimensions.</param>
    /// <param name="pitches">How many.</param>
    public static IReadOnlyList<ProfilePoint> External(Thread t, in ThreadShape s, int pitches) =>
        Outline(t, s, pitches, s.Major / 2, s.Minor / 2, s.CrestRadius, s.RootRadius);

    /// <summary>The outline of the internal thread over some pitches, its grooves over the crests of the external one.</summary>
    /// <inheritdoc cref="External"/>
    public static IReadOnlyList<ProfilePoint> Internal(Thread t, in ThreadShape s, int pitches) =>
        Outline(t, s, pitches, s.InternalMajor / 2, s.InternalMinor / 2, s.InternalRootRadius, s.CrestRadius);

    // At the pitch diameter ridge and groove are half a pitch each; from there the flanks run to crest and root.
    private static List<ProfilePoint> Outline(
        Thread t, in ThreadShape s, int pitches, double top, double bottom, double topRadius, double bottomRadius)
    {
        FormDescription form = FormDescription.Of(t.Form);
        double p = t.Pitch, middle = s.Pitch / 2, lead = Math.Tan(double.DegreesToRadians(form.LeadingFlank)),
            follow = Math.Tan(double.DegreesToRadians(form.FollowingFlank));
        List<(ProfilePoint At, double Radius)> corners = [];
        // The middle of a groove of the external thread stands at the beginning, whatever way its flanks lean.
        double shift = (middle - (s.Minor / 2)) * (lead - follow) / 2;
        for (int i = 0; i < pitches; i++)
        {
            double z = ((i + 0.5) * p) + shift;
            corners.Add((new(z - (p / 4) - ((middle - bottom) * lead), bottom), bottomRadius));
            corners.Add((new(z - (p / 4) + ((top - middle) * lead), top), topRadius));
            corners.Add((new(z + (p / 4) - ((top - middle) * follow), top), topRadius));
            corners.Add((new(z + (p / 4) + ((middle - bottom) * follow), bottom), bottomRadius));
        }

        List<ProfilePoint> points = [new(0, bottom)];
        for (int i = 0; i < corners.Count; i++)
        {
            ProfilePoint before = i == 0 ? points[0] : corners[i - 1].At,
                after = i == corners.Count - 1 ? new(pitches * p, bottom) : corners[i + 1].At;
            Rounded(points, before, corners[i].At, after, corners[i].Radius);
        }

        points.Add(new(pitches * p, bottom));
        return [.. points.Select(q => q with { R = q.R + (q.Z * form.Taper / 2) })];
    }

    // A corner with an arc that touches both sides, as far as they are long enough.
    private static void Rounded(List<ProfilePoint> points, ProfilePoint before, ProfilePoint at, ProfilePoint after, double radius)
    {
        (double inZ, double inR, double inLength) = Towards(at, before);
        (double outZ, double outR, double outLength) = Towards(at, after);
        double cosine = Math.Clamp((inZ * outZ) + (inR * outR), -1, 1), half = Math.Acos(cosine) / 2;

        // Two corners share a flat.
        double room = Math.Min(before.R == at.R ? inLength / 2 : inLength, after.R == at.R ? outLength / 2 : outLength);
        double reach = Math.Min(radius / Math.Tan(half), room);
        if (!(reach > 1e-9) || half > (Math.PI / 2) - 1e-6)
        {
            points.Add(at);
            return;
        }

        double r = reach * Math.Tan(half), away = r / Math.Sin(half), bisectZ = inZ + outZ, bisectR = inR + outR;
        double length = double.Hypot(bisectZ, bisectR);
        double centreZ = at.Z + (bisectZ / length * away), centreR = at.R + (bisectR / length * away);
        double from = Math.Atan2(at.R + (inR * reach) - centreR, at.Z + (inZ * reach) - centreZ),
            turn = Math.Atan2(at.R + (outR * reach) - centreR, at.Z + (outZ * reach) - centreZ) - from;
        turn -= 2 * Math.PI * Math.Round(turn / (2 * Math.PI));
        for (int i = 0; i <= ArcPoints; i++)
        {
            (double sine, double cos) = Math.SinCos(from + (turn * i / ArcPoints));
            points.Add(new(centreZ + (r * cos), centreR + (r * sine)));
        }
    }

    private static (double Z, double R, double Length) Towards(ProfilePoint from, ProfilePoint to)
    {
        double z = to.Z - from.Z, r = to.R - from.R, length = double.Hypot(z, r);
        return length > 0 ? (z / length, r / length, length) : (0, 0, 0);
    }
}
