//! What a page is looked at on: the size of its screen, the look that is preferred, and how it is
//! connected.

use serde_json::json;

use crate::Page;

/// A screen's size in CSS pixels.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct Size(pub u32, pub u32);

impl Size {
    /// The size that is designed for first.
    pub const LAPTOP: Self = Self(1280, 800);
    /// A tablet that stands beside the bowl.
    pub const TABLET: Self = Self(820, 1180);
    /// A phone propped up at the bench.
    pub const PHONE: Self = Self(390, 844);
    /// The narrowest that everything fits on: a small phone, or a laptop at four times
    /// its size.
    pub const NARROW: Self = Self(320, 640);
    /// A laptop whose pages are drawn at twice their size.
    pub const LAPTOP_AT_TWICE: Self = Self(640, 400);
    /// Screens up to this wide are held in the hand: their scroll bars take no room.
    const HELD: u32 = 600;
}

impl Page {
    /// Sets the size of the screen.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn resize(&self, Size(width, height): Size) -> anyhow::Result<()> {
        let held = width <= Size::HELD;
        let metrics =
            json!({ "width": width, "height": height, "deviceScaleFactor": 1, "mobile": held });
        self.tell("Emulation.setDeviceMetricsOverride", metrics).await?;
        Ok(())
    }

    /// Makes the device prefer a dark or a light look.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn prefer(&self, scheme: &str) -> anyhow::Result<()> {
        let features = json!([
            { "name": "prefers-color-scheme", "value": scheme },
            // Nothing is looked at in the middle of a movement.
            { "name": "prefers-reduced-motion", "value": "reduce" },
        ]);
        self.tell("Emulation.setEmulatedMedia", json!({ "features": features })).await?;
        Ok(())
    }

    /// Cuts the page's connection, or restores it.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn disconnect(&self, offline: bool) -> anyhow::Result<()> {
        self.connect(offline, 0).await
    }

    /// Has every answer come this much later, ms; 0 for as soon as it can.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn slow_down(&self, latency: u32) -> anyhow::Result<()> {
        self.connect(false, latency).await
    }

    async fn connect(&self, offline: bool, latency: u32) -> anyhow::Result<()> {
        self.tell("Network.enable", json!({})).await?;
        let conditions = json!({
            "offline": offline, "latency": latency,
            "downloadThroughput": -1, "uploadThroughput": -1,
        });
        self.tell("Network.emulateNetworkConditions", conditions).await?;
        Ok(())
    }
}
