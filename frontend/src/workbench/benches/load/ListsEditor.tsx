import { Plus, Trash2 } from "lucide-react";
import { NEW_ITEMLIST, VALUES } from "../../../api/parts";
import type { ItemList, Lists } from "../../../api/schema";
import { Button } from "../../../ui/Button";
import { NumberField, SelectField, TextAreaField, TextField } from "../../../ui/fields";

type ListsEditorProps = { lists: Lists; at: string; onChange: (lists: Lists) => void; onRemove: () => void };

/** Named lists, and what is asked of them. */
export function ListsEditor({ lists, at, onChange, onRemove }: ListsEditorProps) {
  const set = (change: Partial<Lists>) => onChange({ ...lists, ...change });
  const setList = (index: number, change: Partial<ItemList>) =>
    set({ lists: lists.lists.map((list, place) => (place === index ? { ...list, ...change } : list)) });
  return (
    <fieldset className="space-y-3 rounded-lg border border-line p-3">
      <legend className="px-1 font-serif text-lg font-semibold">Lists</legend>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
        <SelectField
          where={`${at}.asks`}
          value={lists.asks}
          options={VALUES.ListsAsk}
          onChange={(asks) => set({ asks })}
        />
        {lists.asks === "odd one out" && (
          <NumberField where={`${at}.choices`} value={lists.choices} onChange={(choices) => choices !== null && set({ choices })} />
        )}
        <TextField
          where={`${at}.prompt`}
          className="min-w-48 flex-1"
          value={lists.prompt}
          onChange={(prompt) => set({ prompt })}
        />
        <Button look="quiet" className="px-2" aria-label="Remove these lists" onClick={onRemove}>
          <Trash2 aria-hidden />
        </Button>
      </div>
      <p className="text-soft">{"{item}"} stands for the item in the question; empty takes our own words.</p>
      <div className="grid gap-3 xl:grid-cols-2">
        {lists.lists.map((list, index) => (
          // Lists have no identity but their place.
          <div key={index} className="space-y-1.5">
            <div className="flex items-end gap-2">
              <TextField
                label={`List ${index + 1}`}
                where={`${at}.lists[${index}].title`}
                className="min-w-0 flex-1"
                value={list.title}
                onChange={(title) => setList(index, { title })}
              />
              <Button
                look="quiet"
                className="px-2"
                aria-label={`Remove ${list.title}`}
                onClick={() => set({ lists: lists.lists.toSpliced(index, 1) })}
              >
                <Trash2 aria-hidden />
              </Button>
            </div>
            <TextAreaField
              label={`Items of ${list.title || `list ${index + 1}`}, one a line`}
              where={`${at}.lists[${index}].items`}
              value={list.items.join("\n")}
              onChange={(text) => setList(index, { items: text.split("\n").filter((item, place, all) => item || place === all.length - 1) })}
            />
          </div>
        ))}
      </div>
      <Button onClick={() => set({ lists: [...lists.lists, { ...NEW_ITEMLIST, title: `List ${lists.lists.length + 1}` }] })}>
        <Plus aria-hidden /> Add a list
      </Button>
    </fieldset>
  );
}
