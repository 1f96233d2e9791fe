import { App, Button, Dropdown } from 'antd';
import { useRef } from 'react';
import { recipeOf, type Recipe } from '@green-thicket/core/study/recipe';
import { counted, listed } from '@green-thicket/core/base/wording';
import { useAsk } from '../../engine/use-ask.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { withoutNamed } from '@green-thicket/core/study/pseudonyms';
import { download, fileName } from '../../pieces/download.ts';
import { leftOutNames, useOutsideTitle, useRenamer } from '../../pieces/use-renamer.ts';

/** What a recipe holds, in words. */
function contentsOf({ settings, stopWords, kept, dropped, merges }: Recipe): string {
  const lists: readonly (readonly [number, string])[] = [
    [settings.cleaning.steps.length, 'cleaning step'],
    [stopWords.length, 'own stop word'],
    [kept.length, 'always-kept concept'],
    [dropped.length, 'dropped concept'],
    [Object.keys(merges).length, 'merged word'],
  ];
  const named = lists.filter(([count]) => count > 0).map(([count, one]) => counted(count, one));
  return named.length === 0
    ? 'It holds settings only.'
    : `It holds ${listed(named)}, and the settings of each stop.`;
}

/** What checks a recipe is large and comes with the first. */
const recipeFile = () => import('@green-thicket/core/study-files/recipe-file');

/** The study's steps, lists and settings, without any text: saved to a file, or taken over from one. */
export function RecipeButtons() {
  const { state, decide } = useStudy();
  const { modal, message } = App.useApp();
  const renamer = useRenamer();
  const title = useOutsideTitle();
  const ask = useAsk();
  const tellFault = useTellFault();
  const chooser = useRef<HTMLInputElement>(null);
  const use = (file: File): void =>
    tellFault('The recipe was not used', async () => {
      const { readRecipe } = await recipeFile();
      const recipe = readRecipe(await file.text());
      const { idle } = await ask('recipeReport', { recipe });
      modal.confirm({
        title: `Use the recipe ${file.name}?`,
        width: 560,
        icon: null,
        okText: 'Use it',
        cancelText: 'Leave it',
        content: (
          <div className="intake-report">
            <p>
              {contentsOf(recipe)} It takes the place of the study’s own steps and settings; undo brings them
              back.
            </p>
            {idle.length === 0 ? (
              <p>All of it does something here.</p>
            ) : (
              <>
                <p>What does nothing here:</p>
                <ul>
                  {idle.map((sentence) => (
                    <li key={sentence}>{sentence}</li>
                  ))}
                </ul>
              </>
            )}
          </div>
        ),
        onOk: () => decide({ kind: 'applyRecipe', recipe }),
      });
    });
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          'aria-label': 'Recipe',
          items: [
            { key: 'save', label: 'Save these steps and settings to a file' },
            { key: 'use', label: 'Use a recipe from a file' },
          ],
          onClick: ({ key }) => {
            if (key === 'use') chooser.current?.click();
            else {
              tellFault('The recipe was not saved', async () => {
                const { writeRecipe } = await recipeFile();
                const { value, gone } = withoutNamed(recipeOf(state), renamer);
                download(fileName(title, '.recipe.json'), writeRecipe(value), 'application/json');
                if (gone > 0) void message.info(leftOutNames(gone));
              });
            }
          },
        }}
      >
        <Button title="Steps, lists and settings without any text, for another study or a colleague">
          Recipe
        </Button>
      </Dropdown>
      <input
        ref={chooser}
        type="file"
        accept=".json"
        hidden
        aria-label="Recipe file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) use(file);
        }}
      />
    </>
  );
}
