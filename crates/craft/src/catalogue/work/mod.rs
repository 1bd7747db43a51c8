//! What the kinds of work say: one file a kind, and one for each part they share.

areas! {
    bottled, cast, clusters, cover, dipped, drafting, face, face_texture, figures, filling, frozen, goods, hollows, inside, layered, marbled, outlines, painted, parting, piped, prepared, ribbons, shards, sheet, shells, slab, solids, stuck_on, sugar, toe, tray, wrap,
}
