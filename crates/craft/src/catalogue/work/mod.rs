//! What the kinds of work say: one file a kind, and one for each part they share.

areas! {
    bottled, cast, clusters, cover, dipped, drafting, face, figures, filling, goods, hollows, layered, marbled, outlines, parting, piped, prepared, ribbons, shards, sheet, shells, slab, sugar, tray, wrap,
}
