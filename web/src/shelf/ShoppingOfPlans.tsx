import { Box, Button } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { useSearchParams } from "react-router";
import { usePlans, useShopping } from "../api/queries";
import { Chosen } from "../kit/Chosen";
import { More } from "../kit/More";
import { Panel } from "../kit/Panel";
import { Missing } from "../kit/Standing";
import { FileTo } from "../kit/WayTo";
import { ShoppingLines } from "../shopping/ShoppingLines";

/** One shopping list for several plans: those that have a date, or any that are picked. */
export function ShoppingOfPlans() {
  const [params, setParams] = useSearchParams();
  const asked = (params.get("plans") ?? "").split(",").filter(Boolean);
  const shopping = useShopping(asked);
  const plans = usePlans("in_use", "");
  if (!shopping.data || !plans.data) return <Missing what="list" asked={[shopping, plans]} />;
  const chosen = shopping.data.plans;
  const pick = (id: string) => {
    const ids = chosen.map((plan) => plan.id);
    const next = ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id];
    setParams(next.length > 0 ? { plans: next.join(",") } : {}, { replace: true });
  };
  const file = `/api/v1/shopping/csv?${new URLSearchParams({ plans: chosen.map(({ id }) => id).join(",") })}`;
  return (
    <Box
      display="grid"
      gap="5"
      gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0, 1fr) 340px" }}
      alignItems="start"
      _print={{ display: "block" }}
    >
      <Panel title={`Shopping for ${chosen.map(({ name }) => name).join(", ") || "no plan"}`}>
        <ShoppingLines list={shopping.data} plans={chosen.map(({ name }) => name)} />
        <Box display="flex" gap="4" flexWrap="wrap" mt="3" _print={{ display: "none" }}>
          <Button
            variant="outline"
            borderColor="border.emphasized"
            h="48px"
            onClick={() => print()}
          >
            <Printer aria-hidden /> Print
          </Button>
          <FileTo href={file} download>
            Save as a table (CSV)
          </FileTo>
        </Box>
      </Panel>
      <Panel title="Plans on this list" _print={{ display: "none" }}>
        <Box as="ul" listStyleType="none" display="grid" gap="1.5" aria-label="Plans">
          {plans.data.map(({ id, name }) => (
            <li key={id}>
              <Chosen
                chosen={chosen.some((plan) => plan.id === id)}
                onChoose={() => pick(id)}
                w="full"
              >
                {name}
              </Chosen>
            </li>
          ))}
        </Box>
        <More list={plans} />
        <Box mt="2" fontSize="sm" color="fg.muted">
          With none selected: every plan with a date that is not begun yet.
        </Box>
      </Panel>
    </Box>
  );
}
