//! On which device something of a batch was entered.

use std::collections::HashMap;

use sqlx::MySqlExecutor;
use uuid::Uuid;

use crate::StoreError;

/// Notes it: a reading, an action, an event, by its id. What is sent again was entered where it was
/// entered first.
///
/// # Errors
/// Where the database fails.
pub async fn note(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
    id: Uuid,
    device: &str,
) -> Result<(), StoreError> {
    sqlx::query!(
        "INSERT INTO entered_by (id, batch_id, device) VALUES (?, ?, ?)
         ON DUPLICATE KEY UPDATE id = entered_by.id",
        id,
        batch_id,
        device
    )
    .execute(database)
    .await?;
    Ok(())
}

/// What devices entered of a batch, by the id of what was entered.
///
/// # Errors
/// Where the database fails.
pub async fn of_batch(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
) -> Result<HashMap<Uuid, String>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", device FROM entered_by WHERE batch_id = ?"#,
        batch_id
    )
    .fetch_all(database)
    .await?;
    Ok(rows.into_iter().map(|row| (row.id, row.device)).collect())
}

/// The same of a batch's steps alone: a thermometer that sends each second has thousands of entries
/// beside them.
///
/// # Errors
/// Where the database fails.
pub async fn of_steps(
    database: impl MySqlExecutor<'_>,
    batch_id: Uuid,
) -> Result<HashMap<Uuid, String>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT entered_by.id AS "id: Uuid", device
           FROM step_events JOIN entered_by ON entered_by.id = step_events.id
           WHERE step_events.batch_id = ?"#,
        batch_id
    )
    .fetch_all(database)
    .await?;
    Ok(rows.into_iter().map(|row| (row.id, row.device)).collect())
}
