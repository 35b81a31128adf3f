using Incisura.Core.Cutters;
using Incisura.Core.Geometry;
using Incisura.Core.Materials;

namespace Incisura.Core.Milling;

/// <summary>The edge of a milling cutter against one work material: all that its load needs beside how it meets the work.</summary>
internal sealed class CuttingEdge
{
    /// <summary>Draws the edge up.</summary>
    /// <param name="profile">Profile of the cutter.</param>
    /// <param name="teeth">Number of teeth z.</param>
    /// <param name="helixAngle">Helix angle λ, degrees.</param>
    /// <param name="diameter">Cutting diameter DC, mm.</param>
    /// <param name="chipExponent">m_c.</param>
    /// <param name="radialRatio">k_r.</param>
    public CuttingEdge(Profile profile, int teeth, double helixAngle, double diameter, double chipExponent, double radialRatio)
    {
        (Teeth, RadialRatio, Integrals) = (teeth, radialRatio, new(1 - chipExponent));
        LagPerDepth = ChipSection.Lag(1, helixAngle, diameter);
        Form = new(profile, Integrals.Power);
        Sliced = !Form.Straight;
    }

    /// <summary>Draws the edge of a cutter up.</summary>
    /// <param name="cutter">The cutter.</param>
    /// <param name="material">The work material.</param>
    public CuttingEdge(Cutter cutter, WorkMaterial material)
        : this(cutter.Profile(), cutter.Teeth, cutter.HelixAngle, cutter.CuttingDiameter, material.ChipExponent, material.RadialRatio)
    {
        // Speeds of a face mill are stated for its cutting diameter, whatever its flank widens to.
        Sliced &= cutter.Family != CutterFamily.FaceMill;
        (Force, Radial, Axial) = (material.EdgeForce, material.EdgeForceRadial, material.EdgeForceAxial);
    }

    /// <summary>Number of teeth z.</summary>
    public int Teeth { get; }

    /// <summary>Lag of the helical edge per depth, radians per mm.</summary>
    public double LagPerDepth { get; }

    /// <summary>Ratio k_r of radial to tangential force.</summary>
    public double RadialRatio { get; }

    /// <summary>What a chip adds up to along an arc in this material.</summary>
    public SineIntegrals Integrals { get; }

    /// <summary>Its form in slices.</summary>
    public EdgeProfile Form { get; }

    /// <summary>Whether loads are worked along the edge: it is curved or leans, and its speed changes with the height.</summary>
    public bool Sliced { get; }

    /// <summary>Tangential edge force K_te, N/mm; 0 where the material states none.</summary>
    public double Force { get; }

    /// <summary>Radial edge force K_re, N/mm; 0 where the material states none.</summary>
    public double Radial { get; }

    /// <summary>Axial edge force K_ae, N/mm; 0 where the material states none.</summary>
    public double Axial { get; }

    /// <summary>Whether edge forces act in the plane of the work.</summary>
    public bool HasEdgeForce => Force != 0 || Radial != 0;

    /// <summary>Whether the work of an engagement is summed along the edge, or the mean chip stands for it.</summary>
    /// <param name="e">How the teeth meet the work.</param>
    public bool WorksInSlices(in Engagement e) => !e.EvenChip && ((Sliced && e.AlongEdge) || Force > 0);
}
